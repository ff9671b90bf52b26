/** Serves the built application: static files, then the application itself. */
import compression from "compression";
import express from "express";

const host = process.env.HOST ?? "127.0.0.1";
const port = Number(process.env.PORT ?? 4173);

const { app, close } = await import("../build/server/index.js");
const site = express();
site.disable("x-powered-by");
site.use(compression());
site.use("/assets", express.static("build/client/assets", { immutable: true, maxAge: "1y" }));
site.use(express.static("build/client", { maxAge: "1h" }));
site.use(app);

if (!/^(127\.\d+\.\d+\.\d+|::1|localhost)$/.test(host)) {
  console.error(`HOST=${host} would let everybody on the network in: there is no sign-in yet. Leave HOST out.`);
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

let stopping = false;
for (const signal of ["SIGINT", "SIGTERM"])
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    server.closeAllConnections();
    server.close(() => void close().finally(() => process.exit(0)));
  });
