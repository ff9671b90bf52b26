/** What is or would be mailed, and who changed what. */
import { randomUUID } from "node:crypto";
import { db } from "./pool.ts";
import type { Scope } from "./scope.ts";

export interface Letter {
  readonly schoolId: string | null;
  readonly recipient: string;
  readonly subject: string;
  /** Without any address by which somebody comes in. */
  readonly body: string;
  /** That address, encrypted; null: there is none. */
  readonly secret: Buffer | null;
}

interface LetterRow {
  readonly id: string;
  readonly recipient: string;
  readonly subject: string;
  readonly body: string;
  readonly secret: Buffer | null;
  readonly created_at: Date;
  readonly sent_at: Date | null;
}

/** Keeps a letter and gives its id. */
export async function insertLetter({ schoolId, recipient, subject, body, secret }: Letter): Promise<string> {
  const id = randomUUID();
  await db.query(
    `insert into letters (id, school_id, recipient, subject, body, secret) values ($1, $2, $3, $4, $5, $6)`,
    [id, schoolId, recipient, subject, body, secret],
  );
  return id;
}

/** Notes that a letter was sent; the address in it is for its reader alone from then on. */
export const sentLetter = (id: string): Promise<unknown> =>
  db.query(`update letters set sent_at = now(), secret = null where id = $1`, [id]);

/** The newest letters of the school. */
export const listLetters = (scope: Scope, limit = 50): Promise<LetterRow[]> =>
  db.query<LetterRow>(
    `select id, recipient, subject, body, secret, created_at, sent_at from letters where school_id = $1 order by created_at desc limit $2`,
    [scope.schoolId, limit],
  );
