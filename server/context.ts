/** What the server hands to every loader, action and render. */
import { createContext } from "react-router";
import type { Scope } from "#db/scope.ts";

export const nonceContext = createContext<string>("");
/** The id of the request, which its answer carries and lines of the log name. */
export const requestIdContext = createContext<string>("");
export const scopeContext = createContext<Scope>();
