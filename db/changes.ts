/** Who changed what: rows that are added and never changed. */
import { db, type Db } from "./pool.ts";
import type { Scope } from "./scope.ts";

export interface Change {
  /** The place without ids, as `/people`. */
  readonly place: string;
  /** The kind of change, as `erase`. */
  readonly what: string;
  readonly subject: string | null;
}

interface ChangeRow extends Change {
  readonly id: string;
  readonly at: Date;
  readonly who: string | null;
  readonly tablet: boolean;
  /** What it is called that the change is about, as it is now; null where it is gone or has no name. */
  readonly about: string | null;
}

export const insertChange = (scope: Scope, { place, what, subject }: Change, tx: Db = db): Promise<unknown> =>
  tx.query(
    `insert into changes (school_id, account_id, tablet, place, what, subject) values ($1, $2, $3, $4, $5, $6)`,
    [scope.schoolId, scope.accountId, scope.role === "tablet", place, what, subject],
  );

/** Changes from the newest on, `limit` of them after the one with the id `before`. */
export const listChanges = (
  scope: Scope,
  { before, limit }: { readonly before: string | null; readonly limit: number },
): Promise<ChangeRow[]> =>
  db.query<ChangeRow>(
    `select c.id, c.at, c.place, c.what, c.subject, c.tablet, a.name as who,
       coalesce(d.title, l.title, s.name, o.name) as about
     from changes c left join accounts a on a.id = c.account_id
       left join drills d on d.school_id = c.school_id and d.id = c.subject
       left join classes l on l.school_id = c.school_id and l.id = c.subject
       left join students s on s.school_id = c.school_id and s.id = c.subject and s.erased_at is null
       left join memberships m on m.school_id = c.school_id and m.account_id = c.subject
       left join accounts o on o.id = m.account_id
     where c.school_id = $1 and ($2::bigint is null or c.id < $2) order by c.id desc limit $3`,
    [scope.schoolId, before, limit],
  );
