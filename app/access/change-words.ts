/** Changes as a coach says them. */

const PLACES: Readonly<Record<string, string>> = {
  "/": "Drills",
  "/drills/:id": "A drill",
  "/drills/:id/save": "A drill",
  "/drills/:id/revisions": "Versions of a drill",
  "/drills/:id/ladder": "A ladder",
  "/drills/:id/share": "Links to a drill",
  "/class/:id": "A class",
  "/class/:id/here": "Who is here",
  "/class/:id/plan": "The plan of a class",
  "/class/:id/phones": "Links to a class",
  "/class/:id/floor": "A running class",
  "/term": "The term",
  "/log": "The log",
  "/people": "People",
  "/words/settings": "How the school does it",
  "/account": "Their account",
  "/members": "Who signs in",
  "/sign-in": "Sign-in",
};

const KINDS: Readonly<Record<string, string>> = {
  add: "added",
  import: "read from a table",
  change: "changed",
  archive: "archived",
  restore: "brought back",
  erase: "erased",
  delete: "deleted",
  save: "saved",
  wish: "a wish about partners",
  gear: "gear counted",
  present: "one ticked",
  everybody: "all or nobody here",
  late: "a late comer",
  swap: "two changed places",
  "sign-in": "signed in",
  tablet: "a hall tablet came in",
  invite: "invited",
  "take-back": "an invitation taken back",
  role: "another role",
  remove: "taken out of the school",
  password: "password changed",
  "passkey-add": "a passkey made",
  "passkey-delete": "a passkey deleted",
  end: "ended",
  new: "made",
};

/** `People: erased`; a kind that has no words of its own stands as it is. */
export const changeInWords = (place: string, what: string): string =>
  `${PLACES[place] ?? place}: ${KINDS[what] ?? what}`;
