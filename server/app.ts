/** The application as an Express handler: security headers, then React Router. Built by Vite. */
import { randomBytes } from "node:crypto";
import { createRequestHandler } from "@react-router/express";
import express, { type Request, type Response } from "express";
import { ipKeyGenerator } from "express-rate-limit";
import helmet from "helmet";
import { RouterContextProvider } from "react-router";
import { closePool, databaseAnswers } from "#db/pool.ts";
import { dropEnded } from "#db/sessions.ts";
import { closeThreads } from "./checks/pool.ts";
import { allowedHosts, knownHost, ownPaths, ownWrites } from "./web/doors.ts";
import { closeLive } from "./floor/live.ts";
import { judgeOlder } from "./drills/judging.ts";
import { visitorOf } from "./access/session.ts";
import { onThisMachine } from "./access/network.ts";
import { addressContext, nonceContext, requestIdContext, visitorContext } from "./web/context.ts";
import { env } from "./web/env.ts";
import { floodGates } from "./web/limits.ts";
import { counted, metrics } from "./web/requests.ts";
import { troubleOfSchema } from "./web/ready.ts";
import { openLink } from "./share/door.ts";

/** Ends what the application holds open. */
export const close = async (): Promise<void> => {
  await Promise.all([closeLive(), closePool(), closeThreads()]);
};

export const app = express();
app.disable("x-powered-by");
// Behind a proxy of one's own: it says over what and for whom a request came.
const { TRUST_PROXY, PORT, ALLOWED_HOSTS } = env();
if (TRUST_PROXY) app.set("trust proxy", TRUST_PROXY);

app.use((_request, response: Response, next) => {
  response.locals.nonce = randomBytes(16).toString("hex");
  next();
});

app.use(counted);

const dev = import.meta.env.DEV;
const hosts = allowedHosts(String(PORT ?? (dev ? 5173 : 4173)), ALLOWED_HOSTS);
app.use(ownPaths);
app.use(knownHost(hosts));
app.use(ownWrites(hosts, /^\/drills\/[^/]+\/save$/));

app.use(
  helmet({
    // Forms post without script too: a no-referrer policy would blank their origin.
    referrerPolicy: { policy: "same-origin" },
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: [
          "'self'",
          (_request, response) => `'nonce-${(response as unknown as Response).locals.nonce as string}'`,
        ],
        styleSrc: [
          "'self'",
          (_request, response) => `'nonce-${(response as unknown as Response).locals.nonce as string}'`,
        ],
        styleSrcAttr: ["'unsafe-inline'"],
        imgSrc: ["'self'", "data:"],
        fontSrc: ["'self'", "data:"],
        workerSrc: ["'self'"],
        // Pads with sensors are sockets of the same machine.
        connectSrc: ["'self'", ...(dev ? ["ws:"] : ["ws://127.0.0.1:*", "ws://localhost:*"])],
        upgradeInsecureRequests: null,
      },
    },
  }),
);

app.use(...floodGates());

app.get("/s/:token", openLink);

app.get("/metrics", onThisMachine, metrics);
app.get("/health", async (_request, response) => {
  const alive = await databaseAnswers();
  response
    .status(alive ? 200 : 503)
    .type("text")
    .send(alive ? "ok" : "the database does not answer");
});

// For whoever spreads requests over several servers: this one has its database, in the schema that it was made for.
app.get("/ready", async (_request, response) => {
  const trouble = await troubleOfSchema();
  response
    .status(trouble ? 503 : 200)
    .type("text")
    .send(trouble ?? "ready");
});

// What nobody can come in by any more is taken away, now and then.
const CLEAN_EVERY = 3_600_000;
const clean = (): void => void dropEnded().catch(() => undefined);
if (!dev) {
  clean();
  setInterval(clean, CLEAN_EVERY).unref();
}

// Verdicts of an older model are worked out again behind the requests; without the database there is nothing to do yet.
if (!dev) void judgeOlder().catch(() => undefined);

// Read once where it does not change: from a function the router works out its table of routes with each request.
const build = () => import("virtual:react-router/server-build");

app.use(
  createRequestHandler({
    build: dev ? build : await build(),
    mode: import.meta.env.MODE,
    getLoadContext: async (request: Request, response: Response) => {
      const context = new RouterContextProvider();
      context.set(nonceContext, response.locals.nonce as string);
      context.set(requestIdContext, response.locals.requestId as string);
      context.set(addressContext, ipKeyGenerator(request.ip ?? ""));
      context.set(visitorContext, await visitorOf(request.headers.cookie));
      return context;
    },
  }),
);
