/** Against floods: so many requests in a minute by address, and fewer by whoever is signed in. */
import type { Request, RequestHandler } from "express";
import rateLimit, { ipKeyGenerator, type Options } from "express-rate-limit";
import { knownSession, tokenIn } from "../access/session.ts";

const MINUTE = 60_000;

/** Who a request counts for: a session that was found, else the address. What a cookie says is nobody until then. */
const keyOf = (request: Request): string => {
  const token = tokenIn(request.headers.cookie);
  const session = token && knownSession(token);
  return session ? `session ${session}` : ipKeyGenerator(request.ip ?? "");
};

const isWrite = ({ method }: Request): boolean => method !== "GET" && method !== "HEAD";
const isTap = ({ path }: Request): boolean => path.endsWith("/floor/items");

const gate = (limit: number, more: Partial<Options>): RequestHandler =>
  rateLimit({
    windowMs: MINUTE,
    limit,
    standardHeaders: "draft-8",
    legacyHeaders: false,
    message: "There were too many requests in this minute. Wait a moment, and try again.\n",
    ...more,
  });

/**
 * A class on one router shares an address, so that this limit is generous; each session has its own. What is tapped in a
 * class counts for neither: a full hall taps 2,000 times a minute. Tries at the ways in are counted in their actions
 * (`access/tries.ts`).
 */
export const floodGates = (): readonly RequestHandler[] => [
  gate(12_000, { skip: isTap }),
  gate(3000, { keyGenerator: keyOf, skip: isTap }),
  gate(6000, { keyGenerator: keyOf, skip: (request) => !isTap(request) }),
  gate(600, { keyGenerator: keyOf, skip: (request) => !isWrite(request) || isTap(request) }),
];
