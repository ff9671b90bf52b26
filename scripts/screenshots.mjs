/**
 * Draws the pictures of docs/screenshots anew, from a demo club that nobody has touched:
 * node scripts/screenshots.mjs ORIGIN   with SESSION set to what `bin/tool session owner` prints.
 * It plans and starts tonight's class: load the demo club again afterwards.
 */
import { chromium } from "@playwright/test";

const [origin] = process.argv.slice(2);
const { SESSION, CHROMIUM = "/usr/bin/chromium" } = process.env;
if (!origin || !SESSION) {
  console.error("usage: SESSION=$(bin/tool session owner) node scripts/screenshots.mjs ORIGIN");
  process.exit(2);
}
const OUT = "docs/screenshots";
const TONIGHT = "/class/5b3c7c1e-0d52-4a4e-9b10-7d6a51fe0000";
const drill = (n) => `/drills/5b3c7c1e-0d52-4a4e-9b10-7d6a51fc0${String(n).padStart(3, "0")}`;
const COVER = drill(2);
const ANSWERS = drill(0);
const PADS = drill(6);

const browser = await chromium.launch({ executablePath: CHROMIUM, args: ["--no-sandbox", "--disable-gpu"] });

/** A window that is signed in, unless `anyone`. */
async function open({ width = 1280, height = 800, colorScheme = "light", anyone = false } = {}) {
  const context = await browser.newContext({ viewport: { width, height }, colorScheme, reducedMotion: "reduce" });
  if (!anyone) {
    const [name, value] = SESSION.trim().split("=");
    await context.addCookies([{ name, value, url: origin }]);
  }
  const page = await context.newPage();
  page.setDefaultTimeout(60_000);
  const go = async (path) => {
    await page.goto(origin + path);
    await page.waitForLoadState("networkidle").catch(() => undefined);
  };
  const shot = async (name) => {
    await page.waitForTimeout(900);
    await page.screenshot({ path: `${OUT}/${name}.png` });
    console.log(name);
  };
  return { page, go, shot, close: () => context.close() };
}

const day = await open();
const { page, go, shot } = day;
const press = (name) => page.getByRole("button", { name, exact: true }).click();
await go("/");
await shot("drills");
await go(COVER);
await page.getByRole("button", { name: "Answer with cover" }).waitFor();
await shot("desk");
await go(ANSWERS);
await press("Floor");
await shot("floor");
await go(`${ANSWERS}/ladder`);
await page.getByRole("button", { name: "Use it tonight" }).waitFor();
await shot("ladder");
await go(`${PADS}/calls`);
await shot("calls");
await go(`${PADS}/card`);
await shot("drill-card");
await go("/answers");
await page.getByRole("grid").waitFor();
await page.getByRole("gridcell", { name: /^jab, slip out/ }).hover();
await shot("answers");
await go("/moves?move=slip");
await shot("words");
await go("/people");
await shot("people");
await go("/term");
await shot("term");
await go("/log/weeks");
await shot("log");
await go(TONIGHT);
await press("Pair them");
await page.getByRole("list", { name: "Pairs of this round" }).waitFor();
await shot("class");
await page.getByRole("link", { name: "Plan the evening" }).click();
await page.getByText("Saved.", { exact: false }).waitFor();
await shot("plan");
await go(`${TONIGHT}/sheet`);
await shot("sheet");
await go(`${TONIGHT}/floor`);
await press("Start");
const asked = page.getByRole("dialog");
if (
  await asked.waitFor({ timeout: 3000 }).then(
    () => true,
    () => false,
  )
) {
  const sure = asked.getByRole("checkbox");
  if ((await sure.count()) > 0) await sure.check();
  await asked.getByRole("button", { name: "Start" }).click();
}
await page.getByRole("button", { name: "Pause" }).waitFor();
for (let i = 0; i < 2; i++) {
  await press("Next");
  await page.waitForTimeout(600);
}
await shot("running");
await go(`${TONIGHT}/wall`);
await shot("wall");
await day.close();

const night = await open({ colorScheme: "dark" });
await night.go(COVER);
await night.page.locator("[data-crossing]").nth(2).click();
await night.shot("desk-dark");
await night.close();

const phone = await open({ width: 390, height: 844 });
await phone.go(COVER);
await phone.page.getByRole("button", { name: "Drawing", exact: true }).click();
await phone.shot("phone");
await phone.close();

const stranger = await open({ anyone: true });
await stranger.go("/sign-in");
await stranger.shot("sign-in");
await browser.close();
