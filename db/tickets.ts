/** Tickets: whoever holds one comes in once. */
import { db, type Db } from "./pool.ts";
import type { Role, Scope } from "./scope.ts";

export type TicketKind = "sign-in" | "invitation" | "password" | "tablet" | "school";

export interface Ticket {
  readonly id: string;
  readonly kind: TicketKind;
  readonly school_id: string | null;
  readonly account_id: string | null;
  readonly email: string | null;
  readonly role: Role | null;
  readonly student_id: string | null;
  readonly class_id: string | null;
}

export interface NewTicket extends Ticket {
  readonly tokenHash: Buffer;
  /** Minutes until it ends. */
  readonly minutes: number;
}

interface InvitationRow {
  readonly id: string;
  readonly email: string;
  readonly role: Role;
  readonly ends_at: Date;
}

const COLUMNS = "id, kind, school_id, account_id, email, role, student_id, class_id";
const ALIVE = "used_at is null and ends_at > now()";

export const insertTicket = (tx: Db, one: NewTicket): Promise<unknown> =>
  tx.query(
    `insert into tickets (id, token_hash, kind, school_id, account_id, email, role, student_id, class_id, ends_at)
     values ($1, $2, $3, $4, $5, lower($6), $7, $8, $9, now() + make_interval(mins => $10))`,
    [
      one.id,
      one.tokenHash,
      one.kind,
      one.school_id,
      one.account_id,
      one.email,
      one.role,
      one.student_id,
      one.class_id,
      one.minutes,
    ],
  );

/** A living ticket; its holder is in no school yet, so it is found by its token alone. */
export async function findTicket(tokenHash: Buffer): Promise<Ticket | null> {
  const rows = await db.query<Ticket>(`select ${COLUMNS} from tickets where token_hash = $1 and ${ALIVE}`, [tokenHash]);
  return rows[0] ?? null;
}

/** Takes a ticket: of several who come with it at once one gets in. */
export async function takeTicket(tx: Db, id: string): Promise<boolean> {
  const rows = await tx.query(`update tickets set used_at = now() where id = $1 and ${ALIVE} returning id`, [id]);
  return rows.length > 0;
}

/** Addresses for a new password of an account end. */
export const endPasswordTickets = (tx: Db, accountId: string): Promise<unknown> =>
  tx.query(`update tickets set used_at = now() where account_id = $1 and kind = 'password' and ${ALIVE}`, [accountId]);

/** Invitations that nobody has answered yet. */
export const listInvitations = (scope: Scope): Promise<InvitationRow[]> =>
  db.query<InvitationRow>(
    `select id, email, role, ends_at from tickets where school_id = $1 and kind = 'invitation' and ${ALIVE} order by created_at desc`,
    [scope.schoolId],
  );

/** Takes an invitation back. */
export const endTicket = (scope: Scope, id: string): Promise<unknown> =>
  db.query(`update tickets set used_at = now() where school_id = $1 and id = $2 and kind = 'invitation' and ${ALIVE}`, [
    scope.schoolId,
    id,
  ]);
