/** The made-up pads: what they say is of the protocol, and their settings make a better or a worse student. */
import { spawn, type ChildProcess } from "node:child_process";
import { createServer } from "node:net";
import { WebSocket } from "ws";
import { answersTo, padSums, readPadMessage, type PadHit } from "#core/floor/pads.ts";

const freePort = (): Promise<number> =>
  new Promise((found) => {
    const probe = createServer().listen(0, "127.0.0.1", () => {
      const address = probe.address();
      probe.close(() => found(typeof address === "object" && address ? address.port : 0));
    });
  });

let device: ChildProcess | null = null;
afterEach(() => device?.kill());

/** Sends so many calls, a few at once, and says how they were answered. */
async function played(settings: readonly string[], times: number) {
  const port = await freePort();
  device = spawn(process.execPath, ["scripts/pads.mjs", "--port", String(port), ...settings], {
    stdio: ["ignore", "pipe", "inherit"],
  });
  await new Promise((ready) => device!.stdout!.once("data", ready));
  const socket = new WebSocket(`ws://127.0.0.1:${port}`);
  const labels = ["jab", "cross", "hook"];
  const hits: PadHit[] = [];
  const names: (readonly string[])[] = [];
  socket.on("message", (data) => {
    const message = readPadMessage((data as Buffer).toString());
    expect(message).not.toBeNull();
    if (message?.kind === "hello") names.push(message.pads);
    if (message?.kind === "hit")
      hits.push({ label: message.pad, at: performance.now() - message.age, force: message.force });
  });
  await new Promise((open) => socket.once("open", open));
  socket.send("{not json");
  socket.send(JSON.stringify({ kind: "labels", labels }));
  const calls = [];
  for (let i = 0; i < times; i++) {
    const call = { label: labels[i % 3]!, at: performance.now() };
    calls.push(call);
    socket.send(JSON.stringify({ kind: "call", ...call }));
    await new Promise((done) => setTimeout(done, 260));
  }
  socket.close();
  expect(names[names.length - 1]).toEqual(labels);
  return padSums(answersTo(calls, hits));
}

test("a good student is quick and right, a poor one misses and hits the wrong pad", async () => {
  const good = await played(["--reaction", "150", "--noise", "5", "--miss", "0", "--wrong", "0"], 12);
  expect([good.right, good.wrong, good.missed]).toEqual([12, 0, 0]);
  expect(good.median!).toBeGreaterThanOrEqual(140);
  expect(good.median!).toBeLessThan(220);
  device?.kill();
  const poor = await played(
    ["--reaction", "150", "--noise", "5", "--miss", "0.4", "--wrong", "0.9", "--seed", "3"],
    15,
  );
  expect(poor.missed).toBeGreaterThan(1);
  expect(poor.wrong).toBeGreaterThan(poor.right);
}, 30_000);
