/** Links that show one class without signing in. */
import { randomBytes, randomUUID } from "node:crypto";
import type { Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

export interface ShareLink {
  readonly id: string;
  readonly school_id: string;
  readonly class_id: string;
  readonly expires_at: Date;
}

const COLUMNS = "id, school_id, class_id, expires_at";
const LIVE = "revoked_at is null and expires_at > now()";

/** A new link to a class; `until`: when it ends. */
export async function createLink(db: Db, scope: Scope, classId: string, until: Date): Promise<ShareLink> {
  const rows = await db.query<ShareLink>(
    `insert into share_links (school_id, id, class_id, expires_at) values ($1, $2, $3, $4) returning ${COLUMNS}`,
    [scope.schoolId, randomUUID(), classId, until],
  );
  return rows[0]!;
}

/** The link to a class that ends last; null where none is alive. */
export async function liveLink(db: Db, scope: Scope, classId: string): Promise<ShareLink | null> {
  const rows = await db.query<ShareLink>(
    `select ${COLUMNS} from share_links where school_id = $1 and class_id = $2 and ${LIVE} order by expires_at desc limit 1`,
    [scope.schoolId, classId],
  );
  return rows[0] ?? null;
}

/** Takes all links to a class back. */
export const revokeLinks = (db: Db, scope: Scope, classId: string): Promise<unknown> =>
  db.query(`update share_links set revoked_at = now() where school_id = $1 and class_id = $2 and ${LIVE}`, [
    scope.schoolId,
    classId,
  ]);

/** A living link by its id: who opens it is in no school, so this is the one query that finds the school. */
export async function findLink(db: Db, id: string): Promise<ShareLink | null> {
  const rows = await db.query<ShareLink>(`select ${COLUMNS} from share_links where id = $1 and ${LIVE}`, [id]);
  return rows[0] ?? null;
}

const SECRET_BYTES = 32;

/** With what a school signs its links: made once, the same for all who ask at the same time. */
export async function linkSecret(db: Db, schoolId: string): Promise<Buffer> {
  await db.query(`insert into share_secrets (school_id, secret) values ($1, $2) on conflict do nothing`, [
    schoolId,
    randomBytes(SECRET_BYTES),
  ]);
  const rows = await db.query<{ secret: Buffer }>(`select secret from share_secrets where school_id = $1`, [schoolId]);
  return rows[0]!.secret;
}
