/** Who may go where: every place of the application by role. What stands nowhere here is open to nobody. */
import type { Scope } from "#db/scope.ts";

type Who = Scope["role"];

/** Who may read a place and who may change something there; `own`: a student, only where the id is their own. */
export interface Rule {
  readonly read: readonly Who[];
  readonly write: readonly Who[];
  readonly own?: true;
  /** The class in the address must be the one that a tablet was let in for. */
  readonly hall?: true;
}

const OWNER: readonly Who[] = ["owner"];
const TEACH: readonly Who[] = ["owner", "instructor"];
const HELP: readonly Who[] = [...TEACH, "assistant"];
const HALL: readonly Who[] = [...HELP, "tablet"];
const SIGNED_IN: readonly Who[] = [...HELP, "student"];
const NOBODY: readonly Who[] = [];

/** Open without signing in: the ways in. */
export const OPEN: ReadonlySet<string> = new Set(["/sign-in", "/in/:token"]);

/** By the pattern of the address, as `app/routes.ts` has it. */
export const RULES: Readonly<Record<string, Rule>> = {
  "/": { read: HELP, write: TEACH },
  "/drills/new": { read: TEACH, write: NOBODY },
  "/drills/:id": { read: HELP, write: TEACH },
  "/drills/:id/save": { read: NOBODY, write: TEACH },
  "/drills/:id/revisions": { read: HELP, write: TEACH },
  "/drills/:id/ladder": { read: HELP, write: TEACH },
  "/drills/:id/calls": { read: SIGNED_IN, write: NOBODY },
  "/drills/:id/clock": { read: SIGNED_IN, write: NOBODY },
  "/drills/:id/card": { read: SIGNED_IN, write: NOBODY },
  "/drills/:id/share": { read: TEACH, write: TEACH },
  "/drill-book.zip": { read: TEACH, write: NOBODY },
  "/class": { read: HELP, write: NOBODY },
  "/class/:id": { read: HELP, write: TEACH },
  "/class/:id/card": { read: HELP, write: NOBODY },
  "/class/:id/here": { read: NOBODY, write: HELP },
  "/class/:id/plan": { read: TEACH, write: TEACH },
  "/class/:id/cards": { read: HELP, write: NOBODY },
  "/class/:id/adults": { read: TEACH, write: TEACH },
  "/class/:id/phones": { read: TEACH, write: TEACH },
  "/class/:id/sheet": { read: HELP, write: NOBODY },
  "/class/:id/wall": { read: HALL, write: NOBODY, hall: true },
  "/class/:id/floor": { read: HALL, write: HALL, hall: true },
  "/class/:id/floor/live": { read: HALL, write: NOBODY, hall: true },
  "/class/:id/floor/items": { read: HALL, write: HALL, hall: true },
  "/term": { read: HELP, write: TEACH },
  "/term.ics": { read: HELP, write: NOBODY },
  "/log": { read: TEACH, write: TEACH },
  "/log/file": { read: TEACH, write: NOBODY },
  "/log/weeks": { read: TEACH, write: NOBODY },
  "/log/due": { read: TEACH, write: NOBODY },
  // Measures, limits and health notes: for those who pair people by them.
  "/people": { read: TEACH, write: TEACH },
  "/people.csv": { read: TEACH, write: NOBODY },
  "/people/names": { read: TEACH, write: NOBODY },
  "/people/:id": { read: TEACH, write: NOBODY },
  "/people/:id/page": { read: [...TEACH, "student"], write: NOBODY, own: true },
  "/mine": { read: ["student"], write: NOBODY },
  "/school.zip": { read: OWNER, write: NOBODY },
  "/answers": { read: SIGNED_IN, write: NOBODY },
  "/deleted": { read: TEACH, write: NOBODY },
  "/help": { read: SIGNED_IN, write: NOBODY },
  "/search": { read: HELP, write: NOBODY },
  "/words/*": { read: SIGNED_IN, write: NOBODY },
  "/moves": { read: SIGNED_IN, write: NOBODY },
  "/moves/new": { read: TEACH, write: NOBODY },
  "/moves/:id/edit": { read: TEACH, write: NOBODY },
  "/settings/numbering": { read: TEACH, write: NOBODY },
  "/settings/taught": { read: TEACH, write: NOBODY },
  "/settings": { read: TEACH, write: NOBODY },
  "/settings/change": { read: TEACH, write: TEACH },
  "/account": { read: SIGNED_IN, write: SIGNED_IN },
  "/members": { read: OWNER, write: OWNER },
  "/members/post": { read: OWNER, write: NOBODY },
  "/members/changes": { read: OWNER, write: NOBODY },
};

/** Places that show people: what they say is kept in no cache. */
export const isPersonal = (pattern: string): boolean =>
  /^\/(?:people|mine|log|class|term|account|members|school|search|deleted|in)\b/.test(pattern);

/** Who asks, as far as rules ask for it. */
export interface Asker {
  readonly role: Who;
  readonly studentId: string | null;
  readonly classId: string | null;
}

/** May somebody do this at a place? `id`: the one in the address. */
export function mayGo(
  asker: Asker,
  { pattern, id, writes }: { readonly pattern: string; readonly id: string | undefined; readonly writes: boolean },
): boolean {
  const rule = Object.hasOwn(RULES, pattern) ? RULES[pattern] : undefined;
  if (!rule || !(writes ? rule.write : rule.read).includes(asker.role)) return false;
  if (asker.role === "student" && rule.own) return id !== undefined && id === asker.studentId;
  if (asker.role === "tablet") return rule.hall === true && id !== undefined && id === asker.classId;
  return true;
}

/** Where somebody begins. */
export function homeOf({ role, studentId, classId }: Asker): string {
  if (role === "tablet") return `/class/${classId}/floor`;
  if (role === "student") return studentId ? "/mine" : "/account";
  return "/";
}
