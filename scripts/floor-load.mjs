/**
 * Many devices tap at once in one running class: how long a tap takes, how soon the others hear of it, and whether any
 * is lost. What is not acknowledged is sent again, as devices do. Server or database may be killed meanwhile.
 * SESSION is the cookie of who taps: bin/tool session owner.
 * Usage: node scripts/floor-load.mjs http://127.0.0.1:3000 CLASS-ID [DEVICES] [TAPS A MINUTE] [SECONDS]
 */
/* global AbortController, AbortSignal, TextDecoderStream, URLSearchParams */
import { randomUUID } from "node:crypto";

const [base, classId, devices = "30", perMinute = "2000", seconds = "60"] = process.argv.slice(2);
if (!base || !classId) {
  console.error("Say where it is served and which class: node scripts/floor-load.mjs http://127.0.0.1:3000 CLASS-ID");
  process.exit(2);
}
const cookie = process.env.SESSION ?? "";
const items = `${base}/class/${classId}/floor/items`;
const live = `${base}/class/${classId}/floor/live`;
const every = (60_000 * Number(devices)) / Number(perMinute);
const end = Date.now() + Number(seconds) * 1000;
const sent = new Map();
const heard = new Map();
const acknowledged = [];
let again = 0;

/** A share of numbers lies below this one. */
const below = (numbers, share) => [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length * share)] ?? 0;
const rest = (ms) => new Promise((done) => setTimeout(done, ms));

async function post(body) {
  const began = Date.now();
  const answer = await fetch(items, {
    method: "POST",
    headers: { "content-type": "application/x-www-form-urlencoded", origin: base, cookie },
    body: new URLSearchParams({ items: JSON.stringify(body) }),
    signal: AbortSignal.timeout(5000),
  }).catch(() => null);
  if (answer?.ok) acknowledged.push(Date.now() - began);
  return answer?.ok === true;
}

/** One that taps again and again; a stretch that is none gets a second more, which changes no clock. */
async function device(number) {
  await rest((every * number) / Number(devices));
  while (Date.now() < end) {
    const next = rest(every);
    const id = randomUUID();
    sent.set(id, Date.now());
    const tap = { id, at: Date.now(), tap: { kind: "longer", from: "nothing", seconds: 1 } };
    while (!(await post({ taps: [tap], marks: [], incidents: [] }))) {
      again++;
      await rest(500);
    }
    await next;
  }
}

/** One that watches: when it heard of each tap first. */
async function watch(stop) {
  let since = 0;
  while (!stop.aborted) {
    try {
      const { body } = await fetch(`${live}?since=${since}`, { signal: stop, headers: { cookie } });
      let text = "";
      for await (const chunk of body.pipeThrough(new TextDecoderStream())) {
        text += chunk;
        const events = text.split("\n\n");
        text = events.pop();
        for (const data of events.flatMap((event) => /^data: (\{.*)$/m.exec(event)?.[1] ?? [])) {
          const news = JSON.parse(data);
          since = Math.max(since, news.seq);
          for (const { id } of news.taps) if (!heard.has(id)) heard.set(id, Date.now());
        }
      }
    } catch {
      await rest(500);
    }
  }
}

const stop = new AbortController();
const watching = [1, 2].map(() => watch(stop.signal));
await rest(1000);
await Promise.all(Array.from({ length: Number(devices) }, (_, i) => device(i)));
await rest(3000);
stop.abort();
await Promise.all(watching);
const delays = [...sent].flatMap(([id, at]) => (heard.has(id) ? [heard.get(id) - at] : []));
console.log(
  [
    `${sent.size} taps of ${devices} devices in ${seconds} s, sent again ${again} times`,
    `acknowledged after ${below(acknowledged, 0.5)} ms (p95 ${below(acknowledged, 0.95)})`,
    `heard elsewhere after ${below(delays, 0.5)} ms (p95 ${below(delays, 0.95)})`,
    `lost: ${[...sent.keys()].filter((id) => !heard.has(id)).length}`,
  ].join("\n"),
);
