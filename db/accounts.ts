/** Accounts, and who of them is what in a school. */
import type { Db } from "./pool.ts";
import { db, transaction } from "./pool.ts";
import type { Role, Scope } from "./scope.ts";

export interface Account {
  readonly id: string;
  readonly name: string;
  readonly email: string;
}

interface AccountSecrets extends Account {
  readonly password_hash: string | null;
  /** Of an account of the demo club: everybody at the machine knows it. */
  readonly shown_password: string | null;
}

interface Membership {
  readonly school_id: string;
  readonly school: string;
  readonly role: Role;
}

/** Somebody of the school with an account. */
interface MemberRow extends Account {
  readonly role: Role;
  readonly student_id: string | null;
  readonly has_password: boolean;
  readonly passkeys: number;
  readonly seen_at: Date | null;
  /** May run a class of minors, by local rules. */
  readonly minors_cleared: boolean;
}

const SECRETS = "id, name, email, password_hash, shown_password";

/** An account by its address, in any spelling of it. */
export async function accountByEmail(email: string): Promise<AccountSecrets | null> {
  const rows = await db.query<AccountSecrets>(`select ${SECRETS} from accounts where email = lower($1)`, [email]);
  return rows[0] ?? null;
}

export async function accountById(id: string): Promise<AccountSecrets | null> {
  const rows = await db.query<AccountSecrets>(`select ${SECRETS} from accounts where id = $1`, [id]);
  return rows[0] ?? null;
}

/** A new account; false where the address has one. */
export async function insertAccount(tx: Db, { id, name, email }: Account, passwordHash: string): Promise<boolean> {
  const rows = await tx.query(
    `insert into accounts (id, name, email, password_hash) values ($1, $2, lower($3), $4) on conflict do nothing returning id`,
    [id, name, email, passwordHash],
  );
  return rows.length > 0;
}

/** Sets a new password: every ticket that was made for the account or by it ends with the old one. */
export async function setPassword(tx: Db, id: string, hash: string): Promise<void> {
  await tx.query(`update accounts set password_hash = $2, shown_password = null where id = $1`, [id, hash]);
  await tx.query(`update tickets set used_at = now() where account_id = $1 and used_at is null`, [id]);
}

export const renameAccount = (id: string, name: string): Promise<unknown> =>
  db.query(`update accounts set name = $2 where id = $1`, [id, name]);

export interface ShownAccount {
  readonly name: string;
  readonly email: string;
  readonly password: string;
  readonly role: Role;
}

/** Accounts of the demo club, which the sign-in page names. */
export const shownAccounts = (): Promise<ShownAccount[]> =>
  db.query<ShownAccount>(
    `select a.name, a.email, a.shown_password as password, m.role from accounts a join memberships m on m.account_id = a.id
     where a.shown_password is not null order by array_position(array['owner', 'instructor', 'assistant', 'student'], m.role)`,
  );

/** The schools of an account, the one it joined first in front. */
export const membershipsOf = (accountId: string): Promise<Membership[]> =>
  db.query<Membership>(
    `select m.school_id, s.name as school, m.role from memberships m join schools s on s.id = m.school_id
     where m.account_id = $1 order by m.created_at, s.name`,
    [accountId],
  );

export const listMembers = (scope: Scope): Promise<MemberRow[]> =>
  db.query<MemberRow>(
    `select a.id, a.name, a.email, m.role, m.student_id, m.minors_cleared, a.password_hash is not null as has_password,
       (select count(*)::int from passkeys p where p.account_id = a.id) as passkeys,
       (select max(seen_at) from sessions s where s.account_id = a.id and s.school_id = m.school_id and s.class_id is null) as seen_at
     from memberships m join accounts a on a.id = m.account_id where m.school_id = $1 order by a.name`,
    [scope.schoolId],
  );

interface Joining {
  readonly schoolId: string;
  readonly accountId: string;
  readonly role: Role;
  readonly studentId: string | null;
}

/** Makes somebody a member, or gives them another role. */
export const setMembership = (tx: Db, { schoolId, accountId, role, studentId }: Joining): Promise<unknown> =>
  tx.query(
    `insert into memberships (school_id, account_id, role, student_id) values ($1, $2, $3, $4)
     on conflict (school_id, account_id) do update set role = excluded.role, student_id = excluded.student_id`,
    [schoolId, accountId, role, studentId],
  );

/** Changes what somebody is in the school, or takes them out; a school is never left without an owner. */
export function changeMember(
  scope: Scope,
  accountId: string,
  to: { readonly role: Role; readonly studentId: string | null } | null,
): Promise<"changed" | "last owner" | "not here"> {
  return transaction(async (tx) => {
    // Two owners who take each other out at once wait for one another.
    const owners = await tx.query<{ account_id: string }>(
      `select account_id from memberships where school_id = $1 and role = 'owner' order by account_id for update`,
      [scope.schoolId],
    );
    const isLast = owners.length === 1 && owners[0]!.account_id === accountId;
    if (isLast && to?.role !== "owner") return "last owner";
    const changed = to
      ? await tx.query(
          `update memberships set role = $3, student_id = $4 where school_id = $1 and account_id = $2 returning account_id`,
          [scope.schoolId, accountId, to.role, to.studentId],
        )
      : await tx.query(`delete from memberships where school_id = $1 and account_id = $2 returning account_id`, [
          scope.schoolId,
          accountId,
        ]);
    if (changed.length === 0) return "not here";
    // What they see now changes at once, on each of their devices.
    await tx.query(`delete from sessions where school_id = $1 and account_id = $2`, [scope.schoolId, accountId]);
    return "changed";
  });
}

export const getAccountName = async (db: Db, accountId: string): Promise<string | null> =>
  (await db.query<{ name: string }>(`select name from accounts where id = $1`, [accountId]))[0]?.name ?? null;
