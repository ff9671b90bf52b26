/**
 * What each screen costs on a cold cache: JavaScript (KB as sent), first and largest paint, end of the last long task,
 * layout shift. Prints a table for docs/speed.md. Usage: node scripts/page-speed.mjs http://127.0.0.1:3000
 */
import { chromium } from "playwright-core";

const base = process.argv[2] ?? "http://127.0.0.1:3000";
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox", "--disable-gpu"] });
const ROUNDS = Number(process.env.ROUNDS ?? 3);

/** Addresses of one drill, class and so on, as the lists link to them. */
async function screens() {
  const page = await browser.newPage();
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
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
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
    const watch = (type, see) => new PerformanceObserver((list) => list.getEntries().forEach(see)).observe({ type, buffered: true });
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

const middle = (numbers) => [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)];
console.log("| screen | JS, KB sent | first paint, ms | largest paint, ms | busy until, ms | layout shift |");
console.log("| --- | --: | --: | --: | --: | --: |");
for (const [name, path] of Object.entries(await screens())) {
  const rounds = [];
  for (let i = 0; i < ROUNDS; i++) rounds.push(await measure(path));
  const of = (key) => middle(rounds.map((round) => round[key]));
  const ms = (key) => Math.round(of(key));
  console.log(`| ${name} | ${Math.round(of("sent"))} | ${ms("fcp")} | ${ms("lcp")} | ${ms("busy")} | ${of("shift").toFixed(3)} |`);
}
await browser.close();
