/** Links that show one class, drill or ladder without signing in. */
import { randomBytes, randomUUID } from "node:crypto";
import type { Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

export type ShareKind = "class" | "wall" | "drill" | "card" | "ladder";

/** What a link shows. */
export interface Shared {
  readonly kind: ShareKind;
  /** Of the class, drill or ladder. */
  readonly id: string;
  /** People stand in it by their first names; else as pairs alone. */
  readonly names: boolean;
}

export interface ShareLink extends Shared {
  readonly linkId: string;
  readonly schoolId: string;
  readonly expiresAt: Date;
}

/** The column that holds what a link is to. */
const COLUMN: Readonly<Record<ShareKind, "class_id" | "drill_id" | "ladder_id">> = {
  class: "class_id",
  wall: "class_id",
  drill: "drill_id",
  card: "drill_id",
  ladder: "ladder_id",
};
const COLUMNS = `id as "linkId", school_id as "schoolId", coalesce(class_id, drill_id, ladder_id) as id, kind, names, expires_at as "expiresAt"`;
const LIVE = "revoked_at is null and expires_at > now()";

/** A new link; `until`: when it ends. */
export async function createLink(db: Db, scope: Scope, { kind, id, names }: Shared, until: Date): Promise<ShareLink> {
  const rows = await db.query<ShareLink>(
    `insert into share_links (school_id, id, ${COLUMN[kind]}, kind, names, expires_at) values ($1, $2, $3, $4, $5, $6) returning ${COLUMNS}`,
    [scope.schoolId, randomUUID(), id, kind, names, until],
  );
  return rows[0]!;
}

/** The link to something that ends last; null where none is alive. */
export async function liveLink(db: Db, scope: Scope, { kind, id }: Omit<Shared, "names">): Promise<ShareLink | null> {
  const rows = await db.query<ShareLink>(
    `select ${COLUMNS} from share_links where school_id = $1 and ${COLUMN[kind]} = $2 and kind = $3 and ${LIVE} order by expires_at desc limit 1`,
    [scope.schoolId, id, kind],
  );
  return rows[0] ?? null;
}

/** Takes all links of a kind to something back. */
export const revokeLinks = (db: Db, scope: Scope, { kind, id }: Omit<Shared, "names">): Promise<unknown> =>
  db.query(
    `update share_links set revoked_at = now() where school_id = $1 and ${COLUMN[kind]} = $2 and kind = $3 and ${LIVE}`,
    [scope.schoolId, id, kind],
  );

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
