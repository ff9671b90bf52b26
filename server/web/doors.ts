/** What a request must be before any of it is read: from a known host, from our own pages, of a sensible kind and size. */
import type { NextFunction, Request, RequestHandler, Response } from "express";

/** Largest body of a form, bytes: an import of 5,000 people takes about a quarter of it. */
export const MAX_BODY = 4_000_000;

const LOOPBACK = ["localhost", "127.0.0.1", "[::1]"];

/**
 * The hosts under which the application is reached, `name:port`: loopback at its own port, and those in
 * `ALLOWED_HOSTS` (separated by commas; a name without a port is taken at any port).
 */
export function allowedHosts(port: string, more = ""): ReadonlySet<string> {
  const own = more.split(",").map((host) => host.trim().toLowerCase());
  return new Set([...LOOPBACK.map((host) => `${host}:${port}`), ...own.filter(Boolean)]);
}

const isAllowed = (host: string, hosts: ReadonlySet<string>): boolean =>
  hosts.has(host) || hosts.has(host.replace(/:\d+$/, ""));

/** Says what is wrong as plain text: nobody sees a page of the application who came in the wrong way. */
const refuse = (response: Response, status: number, words: string): void => {
  // What was sent is not read to its end.
  response.set("Connection", "close").status(status).type("text").send(`${words}\n`);
};

/** Refuses hosts that are not on the list: a foreign name that points here is not this application. */
export const knownHost =
  (hosts: ReadonlySet<string>): RequestHandler =>
  (request, response, next) => {
    if (isAllowed((request.headers.host ?? "").toLowerCase(), hosts)) return next();
    refuse(
      response,
      421,
      "This address is not one of the application’s. Open it as localhost, or put the name on the list ALLOWED_HOSTS.",
    );
  };

/** Refuses what is asked with a whole address, as of a proxy, or by two Host headers: nothing of it is read. */
export const ownPaths: RequestHandler = (request, response, next) => {
  const hosts = request.rawHeaders.filter((name, i) => i % 2 === 0 && name.toLowerCase() === "host").length;
  if (request.url.startsWith("/") && hosts <= 1) return next();
  refuse(response, 400, "Ask for a path of this application, as /drills, with one Host header.");
};

const READS = new Set(["GET", "HEAD"]);
const FORMS = ["application/x-www-form-urlencoded", "multipart/form-data"];

/** True where a request comes from a page of the application itself: browsers say so with each one that writes. */
function isOwnPage(request: Request, hosts: ReadonlySet<string>): boolean {
  const { origin } = request.headers;
  if (origin === undefined || !URL.canParse(origin)) return false;
  const { host, protocol } = new URL(origin);
  return /^https?:$/.test(protocol) && host === request.headers.host?.toLowerCase() && isAllowed(host, hosts);
}

/** Lets through what reads, and what writes only from our own pages, as a form (or JSON for `json` paths) of a known size. */
export function ownWrites(hosts: ReadonlySet<string>, json: RegExp): RequestHandler {
  return (request: Request, response: Response, next: NextFunction) => {
    if (READS.has(request.method)) return next();
    if (request.method !== "POST") {
      response.set("Allow", "GET, HEAD, POST");
      return refuse(response, 405, `${request.method} is not done here.`);
    }
    if (!isOwnPage(request, hosts))
      return refuse(response, 403, "This was sent from another site or program, so nothing was changed.");
    const type = (request.headers["content-type"] ?? "").split(";")[0]!.trim().toLowerCase();
    const known = json.test(request.path) ? type === "application/json" : FORMS.includes(type);
    if (!known) return refuse(response, 415, `“${type}” is not a kind of content that is taken here.`);
    const size = request.headers["content-length"];
    if (size === undefined) return refuse(response, 411, "The size of what is sent must be said (Content-Length).");
    if (Number(size) > MAX_BODY)
      return refuse(response, 413, `This is too large: at most ${MAX_BODY / 1_000_000} MB are taken at once.`);
    next();
  };
}
