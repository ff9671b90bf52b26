/** The one door: each request gets the scope of who sent it, or none. */
import { redirect, type MiddlewareFunction } from "react-router";
import type { Scope } from "#db/scope.ts";
import type { Session } from "#db/sessions.ts";
import { refusalContext, scopeContext, visitorContext } from "../context.ts";
import { homeOf, mayGo, OPEN, type Asker } from "./rules.ts";

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

export const scopeFor = (session: Session): Scope => ({
  schoolId: session.schoolId,
  accountId: session.accountId,
  role: askerOf(session).role,
});

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

/**
 * Sets the scope by the session and the rules. Who may not read is sent to sign in or told so; who may not write gets
 * nobody's scope and the refusal, which `writing` says on the page where it was tried.
 */
export const admit: MiddlewareFunction<Response> = ({ request, context, params, pattern: matched }) => {
  const pattern = matched.startsWith("/") ? matched : `/${matched}`;
  const visitor = context.get(visitorContext);
  context.set(scopeContext, NOBODY);
  if (OPEN.has(pattern) || visitor === "unknown") return;
  const writes = request.method !== "GET" && request.method !== "HEAD";
  const url = new URL(request.url);
  if (visitor === "nobody") {
    if (writes) return context.set(refusalContext, SIGNED_OUT);
    const next = pageAddress(url);
    throw redirect(next === "/" ? "/sign-in" : `/sign-in?next=${encodeURIComponent(next)}`);
  }
  const asker = askerOf(visitor);
  if (mayGo(asker, { pattern, id: params.id, writes })) return context.set(scopeContext, scopeFor(visitor));
  if (writes) return context.set(refusalContext, NOT_YOURS);
  const home = homeOf(asker);
  if (pattern === "/" && home !== "/") throw redirect(home);
  throw new Response("Your role in this school does not include this page.", { status: 403 });
};
