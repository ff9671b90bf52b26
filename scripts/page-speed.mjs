/**
 * What each screen costs on a cold cache. First what is sent: scripts in KB (pages, workers and the service worker alike)
 * and requests, from the navigation until five seconds after the network is quiet, counted between browser and server;
 * the base is what every screen sends. Then first and largest paint, end of the last long task, layout shift. Prints
 * tables for docs/speed.md. SESSION is the cookie of who looks: bin/tool session owner; ONLY=sizes leaves the times out.
 * Usage: node scripts/page-speed.mjs http://127.0.0.1:3000
 */
/* global document, performance, addEventListener, PerformanceObserver, MutationObserver, DataTransfer, ClipboardEvent */
import { chromium } from "playwright-core";
import { countingProxy } from "./counting-proxy.mjs";

const base = process.argv[2] ?? "http://127.0.0.1:3000";
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox", "--disable-gpu"] });
const ROUNDS = Number(process.env.ROUNDS ?? 3);
/** Rest behind the last request before what was sent is summed, ms. */
const REST = 5000;

/** The one in the middle. */
const middle = (numbers) => [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)];

/** A browser's context of whoever SESSION names. */
async function signedIn(url = base) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const [name, value] = (process.env.SESSION ?? "").split("=");
  if (name && value) await context.addCookies([{ name, value, url }]);
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
    floor: plan.replace(/\/plan.*/, "/floor"),
    log: "/log",
    members: "/members",
    moves: "/moves",
    settings: "/settings",
    help: "/help",
  };
}

/** What a screen sends, counted in front of the server. */
async function sizeOf(path) {
  const proxy = await countingProxy(base);
  const context = await signedIn(proxy.address);
  const page = await context.newPage();
  await page.goto(proxy.address + path, { waitUntil: "networkidle" });
  await page.waitForTimeout(REST);
  await context.close();
  proxy.close();
  const scripts = new Map(proxy.counted.filter((one) => one.isScript).map((one) => [one.path, one.kb]));
  return { scripts, requests: proxy.counted.length };
}

const sumOf = (scripts) => [...scripts.values()].reduce((sum, kb) => sum + kb, 0);

/** Prints what every screen sends, and the base that all of them share. */
async function printSizes(all) {
  const sizes = new Map();
  for (const [name, path] of Object.entries(all)) sizes.set(name, await sizeOf(path));
  const [first, ...others] = [...sizes.values()];
  const shared = new Map([...first.scripts].filter(([path]) => others.every((one) => one.scripts.has(path))));
  console.log(`Base: ${Math.round(sumOf(shared))} KB in ${shared.size} scripts.\n`);
  console.log("| screen | scripts, KB | beyond the base | requests |\n| --- | --: | --: | --: |");
  for (const [name, { scripts, requests }] of sizes) {
    const kb = sumOf(scripts);
    console.log(`| ${name} | ${Math.round(kb)} | ${Math.round(kb - sumOf(shared))} | ${requests} |`);
  }
  if (!process.env.FILES) return;
  for (const [name, { scripts }] of [["base", { scripts: shared }], ...sizes]) {
    console.log(`\n${name}`);
    for (const [path, kb] of [...scripts].sort((a, b) => b[1] - a[1]).slice(0, 80))
      console.log(`  ${kb.toFixed(1)} ${path}${name !== "base" && shared.has(path) ? " (base)" : ""}`);
  }
}

async function measure(path) {
  const context = await signedIn();
  const page = await context.newPage();
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
  return seen;
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
  await page.getByRole("textbox", { name: "Start from" }).fill("jab");
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

const all = await screens();
await printSizes(all);
if (process.env.ONLY === "sizes") process.exit();
console.log("\n| screen | first paint, ms | largest paint, ms | busy until, ms | layout shift |");
console.log("| --- | --: | --: | --: | --: |");
for (const [name, path] of Object.entries(all)) {
  const rounds = [];
  for (let i = 0; i < ROUNDS; i++) rounds.push(await measure(path));
  const of = (key) => middle(rounds.map((round) => round[key]));
  const ms = (key) => Math.round(of(key));
  console.log(`| ${name} | ${ms("fcp")} | ${ms("lcp")} | ${ms("busy")} | ${of("shift").toFixed(3)} |`);
}
const maps = [];
for (let i = 0; i < ROUNDS; i++) maps.push(await firstMap());
console.log(
  `\nFirst map of the answer book: ${middle(maps)} ms. Key to drawing at forty rows: ${Math.round(await keyToDrawing())} ms.`,
);
await browser.close();
