/**
 * What each screen costs on a cold cache: JavaScript (KB as sent), first and largest paint, end of the last long task,
 * layout shift. Prints a table for docs/speed.md. SESSION is the cookie of who looks: bin/tool session owner. Usage: node scripts/page-speed.mjs http://127.0.0.1:3000
 */
/* global document, performance, addEventListener, PerformanceObserver, MutationObserver, DataTransfer, ClipboardEvent */
import { chromium } from "playwright-core";

const base = process.argv[2] ?? "http://127.0.0.1:3000";
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox", "--disable-gpu"] });
const ROUNDS = Number(process.env.ROUNDS ?? 3);

/** The one in the middle. */
const middle = (numbers) => [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)];

/** A browser's context of whoever SESSION names. */
async function signedIn() {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const [name, value] = (process.env.SESSION ?? "").split("=");
  if (name && value) await context.addCookies([{ name, value, url: base }]);
  return context;
}

/** Addresses of one drill, class and so on, as the lists link to them. */
async function screens() {
  const page = await (await signedIn()).newPage();
  const link = async (path, pattern) => {
    await page.goto(base + path, { waitUntil: "networkidle" });
    const all = await page.locator("a[href]").evaluateAll((links) => links.map((a) => a.getAttribute("href")));
    return all.find((href) => pattern.test(href ?? "")) ?? path;
  };
  const drill = await link("/", /^\/drills\/[0-9a-f-]{36}$/);
  const plan = await link("/term", /^\/class\/[0-9a-f-]{36}\/plan/);
  await page.close();
  return {
    drills: "/",
    desk: drill,
    ladder: `${drill}/ladder`,
    calls: `${drill}/calls`,
    answers: "/answers",
    class: plan.replace(/\/plan.*/, ""),
    plan,
    sheet: plan.replace(/\/plan.*/, "/sheet"),
    term: "/term",
    people: "/people",
    moves: "/words",
    settings: "/school",
    help: "/help",
  };
}

async function measure(path) {
  const context = await signedIn();
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  await session.send("Network.enable");
  const scripts = new Map();
  let sent = 0;
  session.on("Network.responseReceived", ({ requestId, response }) => {
    if (/\.m?js($|\?)/.test(response.url)) scripts.set(requestId, response.url);
  });
  session.on("Network.loadingFinished", ({ requestId, encodedDataLength }) => {
    if (scripts.has(requestId)) sent += encodedDataLength;
  });
  await page.addInitScript(() => {
    const seen = { shift: 0, lcp: 0, busy: 0 };
    globalThis.__seen = seen;
    const watch = (type, see) =>
      new PerformanceObserver((list) => list.getEntries().forEach(see)).observe({ type, buffered: true });
    watch("layout-shift", (e) => (seen.shift += e.hadRecentInput ? 0 : e.value));
    watch("largest-contentful-paint", (e) => (seen.lcp = e.startTime));
    watch("longtask", (e) => (seen.busy = e.startTime + e.duration));
  });
  await page.goto(base + path, { waitUntil: "networkidle" });
  await page.waitForTimeout(300);
  const seen = await page.evaluate(() => ({
    ...globalThis.__seen,
    fcp: performance.getEntriesByName("first-contentful-paint")[0]?.startTime ?? 0,
  }));
  await context.close();
  return { ...seen, sent: sent / 1000 };
}

/** Until the map of the answer book has its cells, ms. */
async function firstMap() {
  const context = await signedIn();
  const page = await context.newPage();
  const start = Date.now();
  await page.goto(base + "/answers");
  await page.locator("[role=grid] td").nth(100).waitFor();
  const took = Date.now() - start;
  await context.close();
  return took;
}

/** From a key to the drawing that follows it, in a new drill of forty rows, ms. */
async function keyToDrawing() {
  const context = await signedIn();
  const page = await context.newPage();
  await page.goto(base + "/?new", { waitUntil: "networkidle" });
  await page.getByRole("textbox", { name: "First attack" }).fill("jab");
  await page.keyboard.press("Enter");
  const editor = page.locator(".cm-content");
  await editor.waitFor();
  await editor.focus();
  await page.keyboard.press("Control+a");
  const rows = Array.from(
    { length: 40 },
    (_, i) => `A ${["jab", "cross"][i % 2]} -> B ${["slip out", "parry"][i % 2]}, cross`,
  );
  const text = `title: Forty rows\nkind: feeder\n\n${rows.join("\n")}`;
  await editor.evaluate((target, pasted) => {
    const data = new DataTransfer();
    data.setData("text/plain", pasted);
    target.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
  }, text);
  await page.getByRole("group", { name: "Line 43" }).waitFor();
  await page.waitForTimeout(2000);
  await page.keyboard.press("Control+End");
  const took = [];
  for (const word of [", jab", ", cross", ", lead hook"]) {
    await page.keyboard.type(word.slice(0, -1));
    await page.waitForTimeout(1200);
    await page.evaluate(() => {
      const list = document.querySelector('[aria-label^="The drill drawn"]');
      globalThis.__key = 0;
      globalThis.__drawn = new Promise((done) =>
        new MutationObserver(() => done(performance.now() - globalThis.__key)).observe(list, {
          subtree: true,
          childList: true,
          characterData: true,
          attributes: true,
        }),
      );
      addEventListener("keydown", () => (globalThis.__key = performance.now()), { once: true, capture: true });
    });
    await page.keyboard.press(word.slice(-1));
    took.push(await page.evaluate(() => globalThis.__drawn));
  }
  await context.close();
  return middle(took);
}

console.log("| screen | JS, KB sent | first paint, ms | largest paint, ms | busy until, ms | layout shift |");
console.log("| --- | --: | --: | --: | --: | --: |");
for (const [name, path] of Object.entries(await screens())) {
  const rounds = [];
  for (let i = 0; i < ROUNDS; i++) rounds.push(await measure(path));
  const of = (key) => middle(rounds.map((round) => round[key]));
  const ms = (key) => Math.round(of(key));
  console.log(
    `| ${name} | ${Math.round(of("sent"))} | ${ms("fcp")} | ${ms("lcp")} | ${ms("busy")} | ${of("shift").toFixed(3)} |`,
  );
}
const maps = [];
for (let i = 0; i < ROUNDS; i++) maps.push(await firstMap());
console.log(
  `\nFirst map of the answer book: ${middle(maps)} ms. Key to drawing at forty rows: ${Math.round(await keyToDrawing())} ms.`,
);
await browser.close();
