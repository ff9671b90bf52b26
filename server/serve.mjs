/** Serves the built application: static files, then the application itself. */
import compression from "compression";
import express from "express";

const host = process.env.HOST ?? "127.0.0.1";
const port = Number(process.env.PORT ?? 4173);

const { app, closePool } = await import("../build/server/index.js");
const site = express();
site.disable("x-powered-by");
site.use(compression());
site.use("/assets", express.static("build/client/assets", { immutable: true, maxAge: "1y" }));
site.use(express.static("build/client", { maxAge: "1h" }));
site.use(app);

const server = site.listen(port, host, (error) => {
  if (error) {
    console.error(
      error.code === "EADDRINUSE"
        ? `Port ${port} is in use. Stop what uses it, or choose another: PORT=${port + 1} bin/start`
        : error.message,
    );
    process.exit(1);
  }
  console.log(`Vicissor is ready: http://${host === "0.0.0.0" ? "localhost" : host}:${port}`);
});

let stopping = false;
for (const signal of ["SIGINT", "SIGTERM"])
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    server.closeAllConnections();
    server.close(() => void closePool().finally(() => process.exit(0)));
  });
