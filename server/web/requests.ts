/** Every request by an id of its own: counted and timed for whoever watches the server, and named where something fails. */
import { randomUUID } from "node:crypto";
import type { NextFunction, Request, RequestHandler, Response } from "express";
import { collectDefaultMetrics, Histogram, Registry } from "prom-client";

const registry = new Registry();
collectDefaultMetrics({ register: registry });
/** From the first byte of a request to the last of its answer, s. */
const seconds = new Histogram({
  name: "vicissor_request_seconds",
  help: "Time until an answer was sent, by place and status",
  labelNames: ["place", "status"],
  buckets: [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5],
  registers: [registry],
});

const UUID = /[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}/g;
/** Events of a class go on for hours: they say nothing about how quick the server is. */
const LASTING = /\/floor\/live$/;
const NOT_FOUND = 404;

/** A path without ids, so that there are few of them; what is not there is one place. */
export function placeOf(path: string, status: number): string {
  if (status === NOT_FOUND) return "nowhere";
  const byToken = /^\/(s|in)\//.exec(path);
  if (byToken) return `/${byToken[1]}/:token`;
  return path.replace(UUID, ":id").replace(/\.data$/, "");
}

/** Gives each request an id, which its answer carries, and takes its time. */
export const counted: RequestHandler = (request: Request, response: Response, next: NextFunction) => {
  const id = randomUUID();
  response.locals.requestId = id;
  response.set("X-Request-Id", id);
  const end = seconds.startTimer();
  response.on("finish", () => {
    if (LASTING.test(request.path)) return;
    end({ place: placeOf(request.path, response.statusCode), status: String(response.statusCode) });
  });
  next();
};

/** The counts in the open text format that monitoring reads. */
export const metrics: RequestHandler = (_request, response, next) => {
  registry.metrics().then((text) => response.type(registry.contentType).send(text), next);
};

/** A fault as one line of JSON: when, in which request, and where it came from. No names, no query, no body. */
export function faultLine(
  error: unknown,
  { requestId, path }: { readonly requestId: string; readonly path: string },
): string {
  const { message, stack } = error instanceof Error ? error : { message: String(error), stack: undefined };
  return JSON.stringify({
    at: new Date().toISOString(),
    level: "error",
    requestId,
    place: placeOf(path, 0),
    message,
    stack,
  });
}
