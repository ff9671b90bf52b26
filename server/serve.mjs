/** Serves the built application: static files, then the application itself; to the network, where asked for, with TLS. */
import { readFileSync } from "node:fs";
import { createServer } from "node:https";
import compression from "compression";
import express from "express";
import compressed from "express-static-gzip";

const host = process.env.HOST ?? "127.0.0.1";
const port = Number(process.env.PORT ?? 4173);

const { app, close } = await import("../build/server/index.js");
const site = express();
site.disable("x-powered-by");
// By the header x-vicissor-network the application knows who came in from the network: nobody else may send it.
const NETWORK = Symbol("came in from the network");
site.use((request, _response, next) => {
  delete request.headers["x-vicissor-network"];
  if (request[NETWORK]) request.headers["x-vicissor-network"] = "yes";
  next();
});
// They were compressed when they were built.
site.use(
  "/assets",
  compressed("build/client/assets", {
    enableBrotli: true,
    orderPreference: ["br", "gz"],
    serveStatic: { immutable: true, maxAge: "1y" },
  }),
);
// Each answer is compressed for itself: a tenth more to send, for half of the work.
site.use(compression({ level: 3 }));
site.use("/voice", express.static(".data/voice", { maxAge: "1d" }));
// Files of the site itself have an ending; for all else the disk is not asked.
site.get(/^\/[^/]+\.\w+$/, express.static("build/client", { maxAge: "1h" }));
site.use(app);

if (!/^(127\.\d+\.\d+\.\d+|::1|localhost)$/.test(host)) {
  console.error(
    `HOST=${host} would send passwords over the network as they are typed. Leave HOST out; bin/start --lan NAME has TLS.`,
  );
  process.exit(2);
}

const server = site.listen(port, host, (error) => {
  if (error) {
    console.error(
      error.code === "EADDRINUSE"
        ? `Port ${port} is in use. Stop what uses it, or choose another: PORT=${port + 1} bin/start`
        : error.message,
    );
    process.exit(1);
  }
  console.log(`Vicissor is ready: http://${host.includes(":") ? `[${host}]` : host}:${port}`);
});

const lan = process.env.LAN_PORT ? serveNetwork(Number(process.env.LAN_PORT)) : null;

/** The listener for the network: TLS, with the authority by which a device comes to trust it. */
function serveNetwork(lanPort) {
  const { LAN_CERT, LAN_KEY, LAN_AUTHORITY, LAN_ORIGIN } = process.env;
  const open = express();
  open.disable("x-powered-by");
  open.get("/authority.crt", (_request, response) =>
    response.type("application/x-x509-ca-cert").send(readFileSync(LAN_AUTHORITY)),
  );
  open.use((request, _response, next) => {
    request[NETWORK] = true;
    next();
  });
  open.use(site);
  return createServer({ cert: readFileSync(LAN_CERT), key: readFileSync(LAN_KEY), minVersion: "TLSv1.2" }, open)
    .on("error", (error) => console.error(`The network does not reach this: ${error.message}`))
    .listen(lanPort, process.env.LAN_HOST ?? "0.0.0.0", () => console.log(`The network comes in at ${LAN_ORIGIN}`));
}

let stopping = false;
for (const signal of ["SIGINT", "SIGTERM"])
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    lan?.closeAllConnections();
    lan?.close();
    server.closeAllConnections();
    server.close(() => void close().finally(() => process.exit(0)));
  });
