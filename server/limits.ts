/** Against floods: so many requests in a minute by address, and fewer by whoever is signed in. */
import type { Request, RequestHandler } from "express";
import rateLimit, { ipKeyGenerator, type Options } from "express-rate-limit";
import { hashOf, tokenIn } from "./access/session.ts";

const MINUTE = 60_000;

/** Who a request counts for: the session, or the address of who has none. */
const keyOf = (request: Request): string => {
  const token = tokenIn(request.headers.cookie);
  return token ? hashOf(token).toString("base64") : ipKeyGenerator(request.ip ?? "");
};

const isWrite = ({ method }: Request): boolean => method !== "GET" && method !== "HEAD";
const isWayIn = (request: Request): boolean => isWrite(request) && /^\/(?:sign-in|in\/)/.test(request.path);
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
 * class counts for neither: a full hall taps 2,000 times a minute.
 */
export const floodGates = (): readonly RequestHandler[] => [
  gate(12_000, { skip: isTap }),
  gate(3000, { keyGenerator: keyOf, skip: isTap }),
  gate(6000, { keyGenerator: keyOf, skip: (request) => !isTap(request) }),
  gate(600, { keyGenerator: keyOf, skip: (request) => !isWrite(request) || isTap(request) }),
  // Trying passwords and addresses costs more than reading.
  gate(60, { skip: (request) => !isWayIn(request) }),
];
