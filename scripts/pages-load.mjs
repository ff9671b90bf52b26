/**
 * How many pages a second are served: six pages in equal parts over so many connections; and how long each takes alone.
 * SESSIONS holds the cookies of who asks, one a line: bin/tool session owner 32.
 * Usage: node scripts/pages-load.mjs http://127.0.0.1:3000 [CONNECTIONS] [SECONDS] [PAGES A SECOND]
 */
import { Agent, get } from "node:http";
import { performance } from "node:perf_hooks";

const [base = "http://127.0.0.1:3000", connections = "32", seconds = "20", wanted] = process.argv.slice(2);
const agent = new Agent({ keepAlive: true, maxSockets: Number(connections) });

const sessions = (process.env.SESSIONS ?? "").split("\n").filter(Boolean);
let asked = 0;
/** Each request is of the next one of those who are signed in: as many people, not one in a hurry. */
const cookie = () => sessions[asked++ % sessions.length] ?? "";

/** Loads a page to its end; ms. */
const load = (path) =>
  new Promise((done, fail) => {
    const began = performance.now();
    get(
      new URL(path, base),
      { agent, headers: { accept: "text/html", "accept-encoding": "gzip", cookie: cookie() } },
      (answer) => {
        answer.on("data", (chunk) => (bytes += chunk.length));
        answer.on("end", () =>
          answer.statusCode === 200
            ? done(performance.now() - began)
            : fail(new Error(`${path}: ${answer.statusCode}`)),
        );
      },
    ).on("error", fail);
  });
let bytes = 0;
const text = async (path) => (await fetch(new URL(path, base), { headers: { cookie: cookie() } })).text();
const linkIn = async (path, pattern) => pattern.exec(await text(path))?.[1] ?? path;

const drill = await linkIn("/", /href="(\/drills\/[0-9a-f-]{36})"/);
const lesson = await linkIn("/term", /href="(\/class\/[0-9a-f-]{36})"/);
const pages = { drills: "/", desk: drill, class: lesson, plan: `${lesson}/plan`, term: "/term", people: "/people" };
const below = (numbers, share) => [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length * share)];

const person = await linkIn("/people", /href="(\/people\/[0-9a-f-]{36})"/);
/** Asked for alone, not in the mix. */
const others = {
  log: "/log",
  weeks: "/log/weeks",
  due: "/log/due",
  person,
  answers: "/answers",
  moves: "/words",
  floor: `${lesson}/floor`,
};
console.log("| page | first, ms | again, ms |\n|---|---:|---:|");
for (const [name, path] of Object.entries({ ...pages, ...others })) {
  const first = await load(path);
  const again = [];
  for (let i = 0; i < 9; i++) again.push(await load(path));
  console.log(`| ${name} | ${first.toFixed(1)} | ${below(again, 0.5).toFixed(1)} |`);
}

const paths = Object.values(pages);
const end = performance.now() + Number(seconds) * 1000;
const times = [];
let faults = 0;
let next = 0;
const one = () =>
  load(paths[next++ % paths.length]).then(
    (ms) => times.push(ms),
    () => faults++,
  );
bytes = 0;
const began = performance.now();
if (wanted) {
  // So many a second, whatever comes back when.
  const running = [];
  while (performance.now() < end) {
    running.push(one());
    await new Promise((go) =>
      setTimeout(go, Math.max(0, (running.length * 1000) / Number(wanted) - (performance.now() - began))),
    );
  }
  await Promise.all(running);
} else
  await Promise.all(
    Array.from({ length: Number(connections) }, async () => {
      while (performance.now() < end) await one();
    }),
  );
const lasted = (performance.now() - began) / 1000;
console.log(
  `\n${(times.length / lasted).toFixed(1)} pages a second over ${connections} connections, ${faults} faults; half within ${below(times, 0.5).toFixed(0)} ms, 95 of 100 within ${below(times, 0.95).toFixed(0)} ms; ${(bytes / times.length / 1024).toFixed(0)} KB a page`,
);
agent.destroy();
