/** A server of its own whose clock, and that of its pages, goes many times as fast; it can be killed and started again. */
import { spawn, type ChildProcess } from "node:child_process";
import { createServer } from "node:net";
import type { BrowserContext } from "@playwright/test";

export interface FastServer {
  readonly address: string;
  readonly start: () => Promise<void>;
  /** As with kill -9: it says nothing to anybody. */
  readonly kill: () => void;
  /** The clock of the pages of a browser is that of the server. */
  readonly speedUp: (context: BrowserContext) => Promise<void>;
}

const freePort = (): Promise<number> =>
  new Promise((found) => {
    const probe = createServer().listen(0, "127.0.0.1", () => {
      const address = probe.address();
      probe.close(() => found(typeof address === "object" && address ? address.port : 0));
    });
  });

export async function fastServer(speed: number): Promise<FastServer> {
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  const from = Date.now();
  let child: ChildProcess | null = null;
  const answers = async () => (await fetch(`${address}/health`).catch(() => null))?.ok === true;
  return {
    address,
    start: async () => {
      child = spawn(process.execPath, ["--import", "./e2e/fast-clock.mjs", "server/serve.mjs"], {
        env: {
          ...process.env,
          ...{ PORT: String(port), NODE_ENV: "production", FAST_FROM: String(from), FAST_SPEED: String(speed) },
        },
        stdio: "ignore",
      });
      for (let i = 0; i < 200 && !(await answers()); i++) await new Promise((done) => setTimeout(done, 100));
    },
    kill: () => child?.kill("SIGKILL"),
    speedUp: async (context) => {
      await context.addInitScript(
        ({ begin, times }) => {
          const real = Date.now.bind(Date);
          Date.now = () => Math.round(begin + (real() - begin) * times);
        },
        { begin: from, times: speed },
      );
    },
  };
}
