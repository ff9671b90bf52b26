/** The one door: each request gets the scope of who sent it, or none. */
import { redirect, type MiddlewareFunction } from "react-router";
import type { Scope } from "#db/scope.ts";
import type { Session } from "#db/sessions.ts";
import { refusalContext, scopeContext, visitorContext } from "../web/context.ts";
import { homeOf, isPersonal, mayGo, OPEN, type Asker } from "./rules.ts";
import type { Visitor } from "./session.ts";
import { forOneRequest } from "../school/school-of.ts";

/** Who is nowhere a member: no row of any school is theirs. */
const NOBODY: Scope = {
  schoolId: "00000000-0000-0000-0000-000000000000",
  accountId: "00000000-0000-0000-0000-000000000000",
  role: "student",
};

export const askerOf = ({ role, studentId, classId }: Session): Asker => ({
  role: classId ? "tablet" : role,
  studentId,
  classId,
});

const scopeFor = (session: Session): Scope =>
  forOneRequest({ schoolId: session.schoolId, accountId: session.accountId, role: askerOf(session).role });

/** An address of our own pages to go on to after signing in; `/` for any other. */
export function ownPath(next: string | null): string {
  // Anything that a browser could take for another host is none of ours.
  return next && /^\/(?![/\\])[\w\-./?=&%:+,]*$/.test(next) ? next : "/";
}

const SIGNED_OUT = {
  status: 401,
  message:
    "You are not signed in any more, so nothing was changed. Sign in again in another window, then do this once more.",
} as const;
const AWAY = {
  status: 503,
  message: "The database does not answer. Nothing is lost; try again in a moment.",
} as const;
const NOT_YOURS = {
  status: 403,
  message: "Your role in this school does not include that. Nothing was changed.",
} as const;

/** Where the page of an address is, without what the router adds when it asks for data alone. */
function pageAddress(url: URL): string {
  const path = url.pathname.replace(/(?:\/_root|\/_)?\.data$/, "") || "/";
  const asked = new URLSearchParams(url.search);
  asked.delete("_routes");
  return asked.size > 0 ? `${path}?${asked.toString()}` : path;
}

/** Where a visitor goes who may not read a place: to sign in, to where they begin, or nowhere. */
function turnedAway(visitor: Visitor, pattern: string, url: URL): Response {
  if (typeof visitor === "string") {
    const next = pageAddress(url);
    return redirect(next === "/" ? "/sign-in" : `/sign-in?next=${encodeURIComponent(next)}`);
  }
  const home = homeOf(askerOf(visitor));
  if (pattern === "/" && home !== "/") return redirect(home);
  return new Response("Your role in this school does not include this page.", { status: 403 });
}

/**
 * Sets the scope by the session and the rules. Who may not read is sent to sign in or told so; who may not write gets
 * nobody's scope and the refusal, which `writing` says on the page where it was tried.
 */
function decide({ request, context, params, pattern }: Asked): void {
  const visitor = context.get(visitorContext);
  context.set(scopeContext, NOBODY);
  if (OPEN.has(pattern)) return;
  const writes = request.method !== "GET" && request.method !== "HEAD";
  // Nobody is turned away for a database that does not answer: what was sent is sent again later.
  if (visitor === "unknown") {
    if (writes) return context.set(refusalContext, AWAY);
    throw new Response(AWAY.message, { status: AWAY.status });
  }
  const may = visitor !== "nobody" && mayGo(askerOf(visitor), { pattern, id: params.id, writes });
  if (may) context.set(scopeContext, scopeFor(visitor));
  else if (writes) context.set(refusalContext, visitor === "nobody" ? SIGNED_OUT : NOT_YOURS);
  else throw turnedAway(visitor, pattern, new URL(request.url));
}

type Asked = Pick<Parameters<MiddlewareFunction<Response>>[0], "request" | "context" | "params" | "pattern">;

/** The door as the router has it, before anything of a place is loaded or changed. */
export const admit: MiddlewareFunction<Response> = async (asked, next) => {
  const pattern = asked.pattern.startsWith("/") ? asked.pattern : `/${asked.pattern}`;
  decide({ ...asked, pattern });
  const response = await next();
  if (!response.headers.has("Cache-Control"))
    response.headers.set("Cache-Control", isPersonal(pattern) ? "no-store" : "private, no-cache");
  return response;
};
