/**
 * The places that each role may read and write to, as intended: one row a place. `roles.spec.ts` asks each cell of the running application,
 * `server/access/rules.test.ts` the rules by themselves.
 */

/** Owner, instructor, assistant, student, tablet, and who is not signed in. */
export const ROLES = ["owner", "instructor", "assistant", "student", "tablet", "nobody"] as const;
export type Who = (typeof ROLES)[number];

export const TONIGHT = "5b3c7c1e-0d52-4a4e-9b10-7d6a51fe0000";
export const DRILL = "5b3c7c1e-0d52-4a4e-9b10-7d6a51fc0002";
export const OWN_PERSON = "5b3c7c1e-0d52-4a4e-9b10-7d6a51f0b003";
export const OTHER_PERSON = "5b3c7c1e-0d52-4a4e-9b10-7d6a51f0b001";
export const LAST_CLASS = "5b3c7c1e-0d52-4a4e-9b10-7d6a51fe0001";

/**
 * One row a place: its pattern, an address of it, who reads it and who writes there, by the first letters of the roles
 * (`-`: not this one; `o i a s t n`).
 */
export const TABLE: readonly (readonly [pattern: string, path: string, reads: string, writes: string])[] = [
  ["/", "/", "oia---", "oi----"],
  ["/drills/new", "/drills/new", "oi----", "------"],
  ["/drills/:id", `/drills/${DRILL}`, "oia---", "oi----"],
  ["/drills/:id/save", `/drills/${DRILL}/save`, "------", "oi----"],
  ["/drills/:id/revisions", `/drills/${DRILL}/revisions`, "oia---", "oi----"],
  ["/drills/:id/ladder", `/drills/${DRILL}/ladder`, "oia---", "oi----"],
  ["/drills/:id/calls", `/drills/${DRILL}/calls`, "oias--", "------"],
  ["/drills/:id/clock", `/drills/${DRILL}/clock`, "oias--", "------"],
  ["/drills/:id/card", `/drills/${DRILL}/card`, "oias--", "------"],
  ["/drills/:id/share", `/drills/${DRILL}/share`, "oi----", "oi----"],
  ["/drill-book.zip", "/drill-book.zip", "oi----", "------"],
  ["/class", "/class", "oia---", "------"],
  ["/class/:id", `/class/${TONIGHT}`, "oia---", "oi----"],
  ["/class/:id/card", `/class/${TONIGHT}/card`, "oia---", "------"],
  ["/class/:id/adults", `/class/${TONIGHT}/adults`, "oi----", "oi----"],
  ["/class/:id/here", `/class/${TONIGHT}/here`, "------", "oia---"],
  ["/class/:id/plan", `/class/${TONIGHT}/plan`, "oi----", "oi----"],
  ["/class/:id/cards", `/class/${TONIGHT}/cards`, "oia---", "------"],
  ["/class/:id/phones", `/class/${TONIGHT}/phones`, "oi----", "oi----"],
  ["/class/:id/sheet", `/class/${TONIGHT}/sheet`, "oia---", "------"],
  ["/class/:id/wall", `/class/${TONIGHT}/wall`, "oia-t-", "------"],
  ["/class/:id/floor", `/class/${TONIGHT}/floor`, "oia-t-", "oia-t-"],
  ["/class/:id/floor/live", `/class/${TONIGHT}/floor/live`, "oia-t-", "------"],
  ["/class/:id/floor/items", `/class/${TONIGHT}/floor/items`, "oia-t-", "oia-t-"],
  // The tablet of one class in another one.
  ["/class/:id/floor", `/class/${LAST_CLASS}/floor`, "oia---", "oia---"],
  ["/class/:id/wall", `/class/${LAST_CLASS}/wall`, "oia---", "------"],
  ["/class/:id/floor/items", `/class/${LAST_CLASS}/floor/items`, "oia---", "oia---"],
  ["/class/:id/floor/live", `/class/${LAST_CLASS}/floor/live`, "oia---", "------"],
  ["/term", "/term", "oia---", "oi----"],
  ["/term.ics", "/term.ics", "oia---", "------"],
  ["/log", "/log", "oi----", "oi----"],
  ["/log/file", "/log/file", "oi----", "------"],
  ["/log/weeks", "/log/weeks", "oi----", "------"],
  ["/log/due", "/log/due", "oi----", "------"],
  ["/people", "/people", "oi----", "oi----"],
  ["/people.csv", "/people.csv", "oi----", "------"],
  ["/people/names", "/people/names", "oi----", "------"],
  ["/people/:id", `/people/${OWN_PERSON}`, "oi----", "------"],
  ["/people/:id/page", `/people/${OWN_PERSON}/page`, "oi-s--", "------"],
  ["/people/:id/page", `/people/${OTHER_PERSON}/page`, "oi----", "------"],
  ["/mine", "/mine", "---s--", "------"],
  ["/school.zip", "/school.zip", "o-----", "------"],
  ["/answers", "/answers", "oias--", "------"],
  ["/deleted", "/deleted", "oi----", "------"],
  ["/help", "/help", "oias--", "------"],
  ["/search", "/search?q=hook", "oia---", "------"],
  ["/words/*", "/words", "oias--", "------"],
  ["/moves", "/moves", "oias--", "------"],
  ["/moves/new", "/moves/new", "oi----", "------"],
  ["/moves/:id/edit", "/moves/jab/edit", "oi----", "------"],
  ["/settings/numbering", "/settings/numbering", "oi----", "------"],
  ["/settings/taught", "/settings/taught", "oi----", "------"],
  ["/settings", "/settings", "oi----", "------"],
  ["/settings/change", "/settings/change", "oi----", "oi----"],
  ["/account", "/account", "oias--", "oias--"],
  ["/members", "/members", "o-----", "o-----"],
  ["/members/post", "/members/post", "o-----", "------"],
  ["/members/changes", "/members/changes", "o-----", "------"],
];
