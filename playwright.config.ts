import { defineConfig } from "@playwright/test";
import { sessionOf } from "./e2e/sessions.ts";

const port = Number(process.env.TEST_PORT ?? 4391);

/** The tests are signed in as whoever leads the demo club; workers take over what the runner made. */
process.env.TEST_SESSION ??= sessionOf("owner");
const [name, value] = process.env.TEST_SESSION.split("=") as [string, string];

/** The tests that are told by a day of three: those of today run, by the seed of the day. */
const today = Number(process.env.TEST_SEED ?? 0) % 3;
const otherDays = [0, 1, 2].filter((day) => day !== today).join("");

export default defineConfig({
  testDir: "e2e",
  fullyParallel: false,
  workers: 1,
  retries: 0,
  // Minutes of one test belong to the long run; of long tests a third runs each day, and all of them there.
  ...(process.env.TEST_LONG ? {} : { grepInvert: new RegExp(`@long|@day[${otherDays}]`) }),
  timeout: 150_000,
  // A machine that does other work as well is slow, not wrong.
  expect: { timeout: 15_000 },
  reporter: [["list"]],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    storageState: {
      cookies: [
        {
          ...{ name, value, domain: "127.0.0.1", path: "/", expires: -1 },
          ...{ httpOnly: true, secure: false, sameSite: "Lax" },
        },
      ],
      origins: [],
    },
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
      ],
    },
  },
});
