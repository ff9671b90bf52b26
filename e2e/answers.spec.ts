import { expect, test, type Page } from "@playwright/test";
import { editorText, expectAccessible } from "./helpers.ts";

/** Rows of the map after the first few are the same again. */
const REPEATED = "tbody tr:nth-child(n+4)";

async function openBook(page: Page) {
  await page.goto("/answers");
  const grid = page.getByRole("grid");
  await expect(grid).toBeVisible();
  return grid;
}
const cell = (page: Page, name: RegExp) => page.getByRole("gridcell", { name });

test("the map says why, by keyboard: a pair is looked at, held, and made a drill of", async ({ page }) => {
  const grid = await openBook(page);
  await expect(cell(page, /^jab, slip out: sound/)).toHaveCount(1);
  await expect(cell(page, /^lead hook, slip out: broken/)).toHaveCount(1);
  await expectAccessible(page, REPEATED);
  await grid.focus();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("ArrowDown");
  const pair = page.getByRole("region", { name: "The pair" });
  await expect(pair).toContainText("lead hook met with slip out");
  await expect(pair).toContainText("It comes round: go under it");
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("ArrowUp");
  await expect(pair).toContainText("jab met with slip out");
  await expect(pair).toContainText(/Last trained \d+ \w+/);
  await page.keyboard.press("Enter");
  await pair.getByRole("button", { name: "Make a drill of it" }).click();
  await expect(page).toHaveURL(/\/drills\//);
  await expect.poll(() => editorText(page)).toContain("A jab -> B slip out");
});

test("filters by side, tool and range", async ({ page }) => {
  await openBook(page);
  const rows = page.getByRole("rowheader");
  const all = await rows.count();
  await page.getByRole("button", { name: "stick", exact: true }).click();
  expect(await rows.count()).toBeLessThan(all);
  await expect(page.getByRole("rowheader", { name: "backhand low", exact: true })).toBeVisible();
  await expect(cell(page, /shin check: sound/)).toHaveCount(0);
  await page.getByRole("button", { name: "close", exact: true }).click();
  await expect(page.getByText("No feed of this tool and range")).toBeVisible();
  await page.getByRole("button", { name: "All tools" }).click();
  await page.getByRole("button", { name: "Any range" }).click();
  await page.getByRole("button", { name: "Both", exact: true }).click();
  await cell(page, /^jab, slip out/).click();
  await expect(page.getByRole("region", { name: "The pair" })).toContainText("left-handed feeder");
});

test("a hole is filled with one press; the choice of moves is the school's own", async ({ page }) => {
  await openBook(page);
  await page.getByRole("button", { name: "Choose moves" }).click();
  const dialog = page.getByRole("dialog");
  await expect(dialog.getByRole("group", { name: /^Answers/ })).toBeVisible();
  await expectAccessible(page, REPEATED);
  const answers = dialog.getByRole("group", { name: /^Answers/ });
  await answers.getByRole("button", { name: "None" }).click();
  await expect(dialog.getByText("Choose at least one of each.")).toBeVisible();
  await expect(dialog.getByRole("button", { name: "Lay these out" })).toBeDisabled();
  await answers.getByRole("checkbox", { name: "cover", exact: true }).check();
  await dialog.getByRole("button", { name: "Lay these out" }).click();
  await expect(page.getByText(/No answer to jab/).first()).toBeVisible();
  await expect(page.getByText(/Not answered: \d+/)).toBeVisible();
  await page
    .getByRole("listitem")
    .filter({ hasText: "No answer to jab from a right-handed" })
    .getByRole("button", { name: "Fill it with a drill" })
    .click();
  await expect(page).toHaveURL(/\/drills\//);
  await expect(page.getByText("sound", { exact: true }).first()).toBeVisible();
  await openBook(page);
  await page.getByRole("button", { name: "Choose moves" }).click();
  await page.getByRole("button", { name: "The usual ones" }).click();
  await page.getByRole("button", { name: "Lay these out" }).click();
  await expect(page.getByText(/have a sound answer on both sides/)).toBeVisible();
});

test("everything against everything: progress, cancel, and again", { tag: "@day1" }, async ({ page }) => {
  await openBook(page);
  await page.getByRole("button", { name: "Choose moves" }).click();
  await page.getByRole("button", { name: "Everything" }).click();
  await page.getByRole("button", { name: "Lay these out" }).click();
  const started = Date.now();
  await expect.poll(() => page.getByRole("rowheader").count(), { timeout: 30_000 }).toBeGreaterThan(150);
  console.log(`the whole book stood after ${Date.now() - started} ms, saving included`);
  await page.reload();
  await page.getByRole("button", { name: "Cancel" }).click();
  await expect(page.getByText("The answer map was not worked out.")).toBeVisible();
  await page.getByRole("button", { name: "Work it out" }).click();
  await expect.poll(() => page.getByRole("rowheader").count(), { timeout: 30_000 }).toBeGreaterThan(150);
  await page.getByRole("button", { name: "Choose moves" }).click();
  await page.getByRole("button", { name: "The usual ones" }).click();
  await page.getByRole("button", { name: "Lay these out" }).click();
  await expect.poll(() => page.getByRole("rowheader").count()).toBe(31);
});

test(
  "a school ruling is shown as such in the book and at the desk, and taken back",
  { tag: "@day2" },
  async ({ page }) => {
    await openBook(page);
    await cell(page, /^cross, cover: broken/).click();
    const pair = page.getByRole("region", { name: "The pair" });
    await pair.getByRole("button", { name: "Judge it differently" }).click();
    await pair.getByRole("textbox", { name: "Because" }).fill("tight guard, taught since the first term");
    await pair.getByRole("button", { name: "Save our ruling" }).click();
    await expect(cell(page, /^cross, cover: sound/)).toHaveCount(1);
    await expect(pair).toContainText("The school rules this sound: tight guard");
    await pair.getByRole("button", { name: "Make a drill of it" }).click();
    await expect(page).toHaveURL(/\/drills\//);
    await expect(page.getByRole("region", { name: "Findings" })).toContainText(
      "The school rules this sound: tight guard",
    );
    await page.goto("/settings");
    await expect(page.getByText("cross met with cover is sound: tight guard")).toBeVisible();
    await page.getByRole("button", { name: "Remove", exact: true }).click();
    await expect(page.getByText(/1 verdict changes/)).toBeVisible();
    await page.getByRole("button", { name: "Save", exact: true }).click();
    await expect(page.getByRole("button", { name: "Saved" })).toBeVisible();
    await openBook(page);
    await expect(cell(page, /^cross, cover: broken/)).toHaveCount(1);
  },
);
