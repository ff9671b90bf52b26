/** What the server hands to every loader, action and render. */
import { createContext } from "react-router";
import type { Scope } from "#db/scope.ts";
import type { Visitor } from "../access/session.ts";

export const nonceContext = createContext<string>("");
/** The id of the request, which its answer carries and lines of the log name. */
export const requestIdContext = createContext<string>("");
/** The network address that a request came from: behind a proxy of one's own the one that it names. */
export const addressContext = createContext<string>("");
/** Who sent the request; the door makes the scope of it. */
export const visitorContext = createContext<Visitor>("nobody");
export const scopeContext = createContext<Scope>();
/** Why a write is not made; null where it may be. */
export const refusalContext = createContext<{ readonly status: 401 | 403 | 503; readonly message: string } | null>(
  null,
);
