/** Who is signed in on which device. */
import { dropOldTries } from "./tries.ts";
import { db, type Db } from "./pool.ts";
import type { Role } from "./scope.ts";

/** What a request may do by the session that it names. */
export interface Session {
  readonly id: string;
  readonly schoolId: string;
  readonly accountId: string;
  readonly name: string;
  readonly role: Role;
  /** The person of the school that a student is. */
  readonly studentId: string | null;
  /** The one class that a tablet sees; null on a device of somebody's own. */
  readonly classId: string | null;
}

interface NewSession {
  readonly id: string;
  readonly tokenHash: Buffer;
  readonly schoolId: string;
  readonly accountId: string;
  readonly classId: string | null;
  /** What the browser calls itself, in words. */
  readonly device: string;
  /** Hours after which it ends whatever happens, and after so many without a request. */
  readonly hours: number;
  readonly idleHours: number;
}

interface DeviceRow {
  readonly id: string;
  readonly device: string;
  readonly created_at: Date;
  readonly seen_at: Date;
  readonly class_id: string | null;
}

export const insertSession = (tx: Db, one: NewSession): Promise<unknown> =>
  tx.query(
    `insert into sessions (id, token_hash, school_id, account_id, class_id, device, ends_at, idle)
     values ($1, $2, $3, $4, $5, $6, now() + make_interval(hours => $7), make_interval(hours => $8))`,
    [one.id, one.tokenHash, one.schoolId, one.accountId, one.classId, one.device, one.hours, one.idleHours],
  );

const ALIVE = "s.ends_at > now() and s.seen_at + s.idle > now()";

/** The living session of a token; null where there is none, where it has ended, or where the membership has. */
export async function findSession(tokenHash: Buffer): Promise<Session | null> {
  const rows = await db.query<Session & { readonly stale: boolean }>(
    `select s.id, s.school_id as "schoolId", s.account_id as "accountId", a.name, m.role, m.student_id as "studentId",
       s.class_id as "classId", s.seen_at < now() - interval '1 minute' as stale
     from sessions s join accounts a on a.id = s.account_id
       join memberships m on m.school_id = s.school_id and m.account_id = s.account_id
     where s.token_hash = $1 and ${ALIVE}`,
    [tokenHash],
  );
  const found = rows[0];
  if (!found) return null;
  const { stale, ...session } = found;
  // Not with each request: a page more or less says nothing about who is away.
  if (stale) await db.query(`update sessions set seen_at = now() where id = $1`, [session.id]);
  return session;
}

export const endSession = (id: string): Promise<unknown> => db.query(`delete from sessions where id = $1`, [id]);

/** Ends one of somebody's own sessions. */
export const endOwnSession = (accountId: string, id: string): Promise<unknown> =>
  db.query(`delete from sessions where id = $1 and account_id = $2`, [id, accountId]);

/** Ends all sessions of an account except one. */
export const endOtherSessions = (tx: Db, accountId: string, keep: string | null): Promise<unknown> =>
  tx.query(`delete from sessions where account_id = $1 and id is distinct from $2`, [accountId, keep]);

/** Where somebody is signed in, the newest first. */
export const listDevices = (accountId: string): Promise<DeviceRow[]> =>
  db.query<DeviceRow>(
    `select s.id, s.device, s.created_at, s.seen_at, s.class_id from sessions s
     where s.account_id = $1 and ${ALIVE} order by s.seen_at desc`,
    [accountId],
  );

/** Sessions, tickets and devices that have ended are taken away. */
export async function dropEnded(): Promise<void> {
  await db.query(`delete from sessions s where not (${ALIVE})`);
  await db.query(`delete from known_devices where seen_at < now() - interval '400 days'`);
  await db.query(`delete from tickets where ends_at < now() - interval '30 days'`);
  await dropOldTries();
}
