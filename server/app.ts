/** The application as an Express handler: security headers, then React Router. Built by Vite. */
import { randomBytes } from "node:crypto";
import { createRequestHandler } from "@react-router/express";
import express, { type Request, type Response } from "express";
import rateLimit from "express-rate-limit";
import helmet from "helmet";
import { RouterContextProvider } from "react-router";
import { nonceContext, scopeContext } from "./context.ts";
import { scopeOf } from "./scope.ts";

export { closePool } from "#db/pool.ts";

export const app = express();
app.disable("x-powered-by");

app.use((_request, response: Response, next) => {
  response.locals.nonce = randomBytes(16).toString("base64");
  next();
});

const dev = import.meta.env.DEV;
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
        connectSrc: dev ? ["'self'", "ws:"] : ["'self'"],
        upgradeInsecureRequests: null,
      },
    },
  }),
);

// Loopback tests and a class on one router share an address: generous, and only against floods.
app.use(rateLimit({ windowMs: 60_000, limit: 3000, standardHeaders: "draft-8", legacyHeaders: false }));

app.get("/health", (_request, response) => {
  response.type("text").send("ok");
});

app.use(
  createRequestHandler({
    build: () => import("virtual:react-router/server-build"),
    mode: import.meta.env.MODE,
    getLoadContext: async (request: Request, response: Response) => {
      const context = new RouterContextProvider();
      context.set(nonceContext, response.locals.nonce as string);
      context.set(scopeContext, scopeOf(request.headers.cookie ?? null));
      return context;
    },
  }),
);
