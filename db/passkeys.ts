/** Passkeys of accounts: public keys, by which a device proves that it holds the private one. */
import { randomUUID } from "node:crypto";
import { db } from "./pool.ts";

export interface PasskeyRow {
  readonly id: string;
  readonly account_id: string;
  readonly public_key: Buffer;
  readonly counter: number;
  readonly transports: readonly string[];
}

interface NamedPasskey {
  readonly id: string;
  readonly name: string;
  readonly created_at: Date;
  readonly used_at: Date | null;
}

/** Keeps a passkey; false where it is known already. */
export async function insertPasskey(one: PasskeyRow & { readonly name: string }): Promise<boolean> {
  const rows = await db.query(
    `insert into passkeys (id, account_id, public_key, counter, transports, name) values ($1, $2, $3, $4, $5, $6)
     on conflict do nothing returning id`,
    [one.id, one.account_id, one.public_key, one.counter, one.transports, one.name],
  );
  return rows.length > 0;
}

export async function findPasskey(id: string): Promise<PasskeyRow | null> {
  const rows = await db.query<Omit<PasskeyRow, "counter"> & { readonly counter: string }>(
    `select id, account_id, public_key, counter, transports from passkeys where id = $1`,
    [id],
  );
  return rows[0] ? { ...rows[0], counter: Number(rows[0].counter) } : null;
}

export const usedPasskey = (id: string, counter: number): Promise<unknown> =>
  db.query(`update passkeys set counter = $2, used_at = now() where id = $1`, [id, counter]);

export const listPasskeys = (accountId: string): Promise<NamedPasskey[]> =>
  db.query<NamedPasskey>(
    `select id, name, created_at, used_at from passkeys where account_id = $1 order by created_at`,
    [accountId],
  );

export const deletePasskey = (accountId: string, id: string): Promise<unknown> =>
  db.query(`delete from passkeys where account_id = $1 and id = $2`, [accountId, id]);

/** Keeps what a device is asked to sign, and gives the id by which it is found; `accountId`: for whom a passkey is made. */
export async function insertChallenge(challenge: string, accountId: string | null): Promise<string> {
  const id = randomUUID();
  await db.query(`delete from challenges where ends_at < now()`);
  await db.query(`insert into challenges (id, challenge, account_id) values ($1, $2, $3)`, [id, challenge, accountId]);
  return id;
}

/** What was asked; it is gone with this, so that no answer counts twice. */
export async function takeChallenge(id: string, accountId: string | null): Promise<string | null> {
  const rows = await db.query<{ challenge: string }>(
    `delete from challenges where id = $1 and account_id is not distinct from $2 and ends_at > now() returning challenge`,
    [id, accountId],
  );
  return rows[0]?.challenge ?? null;
}
