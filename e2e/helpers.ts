import { execFileSync } from "node:child_process";
import AxeBuilder from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";
import pg from "pg";

export const DRILL = (n: number): string => `/drills/5b3c7c1e-0d52-4a4e-9b10-7d6a51fc0${String(n).padStart(3, "0")}`;
/** Places of the demo drills in the order of the term. */
export const COVER_AND_RETURN = 2;
export const SINGLE_ANSWERS = 0;
export const FOUR_COUNT = 7;
export const PADS_BY_NAME = 6;

/** No serious violations of WCAG 2.2 A and AA on the page as it stands; `leaveOut` is for repetitions without end. */
export async function expectAccessible(page: Page, leaveOut?: string): Promise<void> {
  // A colour on its way to another one is neither.
  await page.evaluate(async () => {
    // An answer that has just come may still change a button with the next picture.
    for (let i = 0; i < 3; i++) await new Promise(requestAnimationFrame);
    const moving = document.getAnimations().flatMap((one) => (one instanceof CSSTransition ? [one.finished] : []));
    // A transition of something that is not drawn may never end.
    return Promise.race([Promise.allSettled(moving), new Promise((done) => setTimeout(done, 1000))]);
  });
  const scanner = new AxeBuilder({ page });
  if (leaveOut) scanner.exclude(leaveOut);
  const { violations } = await scanner.withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"]).analyze();
  const serious = violations.filter((v) => v.impact === "serious" || v.impact === "critical");
  expect(
    serious.map(
      (v) =>
        `${v.id}: ${v.nodes
          .map((n) => n.target.join(" "))
          .slice(0, 3)
          .join(" | ")}`,
    ),
  ).toEqual([]);
}

/** Faults of the page's own code from now on, as they are written to its console. */
export function faultsOf(page: Page): string[] {
  const faults: string[] = [];
  page.on("pageerror", (error) => faults.push(error.stack ?? error.message));
  page.on("console", (message) => message.type() === "error" && faults.push(message.text()));
  return faults;
}

/** Nothing on the page is wider than the screen. */
export async function expectNoSideScroll(page: Page): Promise<void> {
  const [content, screen] = await page.evaluate(() => [
    document.documentElement.scrollWidth,
    document.documentElement.clientWidth,
  ]);
  expect(content).toBeLessThanOrEqual(screen!);
}

/** The text of the score editor. */
export async function editorText(page: Page): Promise<string> {
  const lines = await page.locator(".cm-line").allTextContents();
  return lines
    .join("\n")
    .replace(/\u00a0/g, " ")
    .replace(/\u200b/g, "");
}

/** The desk of a drill, ready to be worked at: what the server has drawn is there before anything runs on it. */
export async function openDesk(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await expect(page.getByRole("textbox", { name: "Score of the drill" })).toBeVisible();
}

/** The editor, ready and focused. */
export async function focusEditor(page: Page) {
  const editor = page.getByRole("textbox", { name: "Score of the drill" });
  await expect(editor).toBeVisible();
  await editor.focus();
  return editor;
}

/** Pastes text over everything in the editor, as a person would. */
export async function pasteOverAll(page: Page, text: string): Promise<void> {
  await page.keyboard.press("Control+a");
  await page.locator(".cm-content").evaluate((target, pasted) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData("text/plain", pasted);
    target.dispatchEvent(new ClipboardEvent("paste", { clipboardData, bubbles: true, cancelable: true }));
  }, text);
}

/** Types at the end of the text, with completion closed. */
export async function typeAtEnd(page: Page, text: string): Promise<void> {
  await focusEditor(page);
  await page.keyboard.press("Control+End");
  await page.keyboard.type(text);
  await page.keyboard.press("Escape");
}

/** Opens the menu “More” of a screen, or of a row about something, and presses one of its items. */
export async function fromMenu(page: Page, item: string, about?: string): Promise<void> {
  const button = about === undefined ? "More" : `More: ${about}`;
  await page.getByRole("button", { name: button, exact: true }).first().click();
  await page.getByRole("menuitem", { name: item, exact: true }).click();
}

/** A drill of its own for a test: others are left as they are. Gives its path. */
export async function freshDrill(page: Page, text: string): Promise<string> {
  await page.goto("/");
  await page.getByRole("textbox", { name: "Start from" }).fill("jab");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/drills\//);
  await focusEditor(page);
  await pasteOverAll(page, text);
  await expect(page.getByText("Saved, revision 2")).toBeVisible();
  return new URL(page.url()).pathname;
}

/** Stops or starts the test database, or lets it crash; the runner says where it lies. */
export function database(what: "stop" | "crash" | "start"): void {
  const { PG_BIN, PG_DATA, PG_PORT } = process.env;
  const command = what === "start" ? "start" : "stop";
  const args = ["-D", PG_DATA!, "-w", "-s", "-m", what === "crash" ? "immediate" : "fast"];
  if (command === "start")
    args.splice(
      4,
      2,
      "-l",
      `${PG_DATA}/server.log`,
      "-o",
      `-p ${PG_PORT} -c listen_addresses=127.0.0.1 -c unix_socket_directories=''`,
    );
  const program = [`${PG_BIN}/pg_ctl`, command, ...args];
  const root = process.getuid?.() === 0;
  execFileSync(root ? "runuser" : program[0]!, root ? ["-u", "postgres", "--", ...program] : program.slice(1), {
    cwd: "/",
    stdio: "ignore",
  });
}

/** What the database itself says. */
export async function rowsOf<Row extends pg.QueryResultRow>(sql: string, values: readonly unknown[]): Promise<Row[]> {
  const client = new pg.Client(process.env.DATABASE_URL);
  await client.connect();
  try {
    return (await client.query<Row>(sql, [...values])).rows;
  } finally {
    await client.end();
  }
}

/** A class of its own on a day, with everybody of the demo club here; its address. */
export async function newClass(page: Page, name: string, day: string): Promise<string> {
  await page.goto("/term");
  await page.getByRole("button", { name: "Add a class" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("textbox", { name: "Name" }).fill(name);
  await dialog.getByLabel("Day").fill(day);
  await dialog.getByRole("button", { name: "Save" }).click();
  await page.getByRole("link", { name }).click();
  await page.getByRole("button", { name: "Everybody" }).click();
  await expect(page.getByText(/15 of \d+ are here/)).toBeVisible();
  return new URL(page.url()).pathname;
}

/** A class with a plan, and nobody of it away but one; its address. */
export async function plannedClass(page: Page, name: string, day: string): Promise<string> {
  const path = await newClass(page, name, day);
  await page.getByRole("checkbox", { name: /Odo Lachs/ }).click();
  await expect(page.getByText(/14 of \d+ are here/)).toBeVisible();
  await page.goto(`${path}/plan`);
  await page.getByRole("combobox", { name: "We work on" }).click();
  await page.getByRole("option", { name: "One slow blow, then you", exact: true }).click();
  await expect(page).toHaveURL(/ladder=/, { timeout: 30_000 });
  await expect(page.getByRole("list", { name: "Blocks" })).toContainText("Warm-up", { timeout: 30_000 });
  await expect(page.getByText("Saved.", { exact: false })).toBeVisible({ timeout: 30_000 });
  return path;
}

/**
 * Starts a class on the floor: classes of tests are set for another day and have minors in them, so that both are
 * said first.
 */
export async function startNow(page: Page): Promise<void> {
  await page.getByRole("button", { name: "Start", exact: true }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("checkbox", { name: /I run it alone now/ }).check();
  await expect(dialog.getByText(/This class is set for/)).toBeVisible();
  await expectAccessible(page);
  await dialog.getByRole("button", { name: "Start", exact: true }).click();
}

/** What is left on the clock of a running class, s. */
export async function left(page: Page): Promise<number> {
  const [minutes, seconds] = (await page.getByRole("timer").innerText()).split(":").map(Number);
  return minutes! * 60 + seconds!;
}
