import type { RequestHandler } from "express";

/** The header by which the listener for the network marks what comes in by it; nobody else can set it. */
const FROM_NETWORK = "x-vicissor-network";

/** Lets through what was asked on this machine itself: not by the network, nor by a proxy for somebody else. */
export const onThisMachine: RequestHandler = (request, response, next) => {
  if (request.headers[FROM_NETWORK] === undefined && request.headers["x-forwarded-for"] === undefined) return next();
  response.status(403).type("text").send("This is for the machine itself.\n");
};

export const isFromNetwork = (headers: Headers): boolean => headers.has(FROM_NETWORK);
