/** The ladder as a teacher uses it: goals, pins, the whole of it into the library, cycles, joining. */
import { expect, test } from "@playwright/test";
import { expectAccessible } from "./helpers.ts";

const DRILL = (n: string) => `/drills/5b3c7c1e-0d52-4a4e-9b10-7d6a51fc0${n}`;

test("a rung is pinned, the rest is solved again, and the whole ladder goes into the library", async ({ page }) => {
  await page.goto(`${DRILL("000")}/ladder`);
  const rungs = page.getByRole("list", { name: "Rungs" }).locator("> li");
  await expect(rungs).toHaveCount(8, { timeout: 30_000 });
  const third = await rungs.nth(2).innerText();
  await page.getByRole("button", { name: "Keep rung 3" }).click();
  await expect(page.getByText("Rung 3 stays; the others were made again around it.")).toBeVisible({ timeout: 30_000 });
  await page.getByRole("button", { name: "Shuffle" }).click();
  await expect(page.getByRole("progressbar", { name: "Looking for even steps" })).toHaveCount(0, { timeout: 30_000 });
  expect((await rungs.nth(2).innerText()).split("\n")[0]).toBe(third.split("\n")[0]);

  await test.step("another change in its place is pinned", async () => {
    const other = rungs.nth(3).getByRole("combobox");
    await other.click();
    await page.getByRole("option").nth(1).click();
    await expect(page.getByText(/Rungs 3, 4 stay/)).toBeVisible({ timeout: 30_000 });
    await page.getByRole("button", { name: "Keep none" }).click();
    await expect(page.getByText(/stay; the others/)).toHaveCount(0);
  });
  await expectAccessible(page);

  await test.step("a goal that cannot be reached says which step is missing", async () => {
    await page.getByRole("combobox", { name: "Up to" }).click();
    await page.getByRole("option", { name: "random, moving, 80%" }).click();
    await expect(page.getByText(/It stops at \d+% of full speed instead|I found no step/).first()).toBeVisible({
      timeout: 30_000,
    });
  });

  await test.step("all rungs are taken, and a class can be planned with them", async () => {
    await page.getByRole("combobox", { name: "Up to" }).click();
    await page.getByRole("option", { name: "a quarter harder" }).click();
    await expect(page.getByText(/It stops at \d+% of full speed instead|I found no step/)).toHaveCount(0, {
      timeout: 30_000,
    });
    await page.getByRole("button", { name: "Save all rungs as drills" }).click();
    await expect(page.getByText(/\d+ drills saved/)).toBeVisible();
    await expect(page.getByRole("link", { name: "Plan the class with it" })).toHaveAttribute(
      "href",
      /\/class\/.+\/plan\?ladder=/,
    );
  });
});

test("cycles are found over chosen moves and added", async ({ page }) => {
  await page.goto(`${DRILL("007")}/ladder`);
  await page.getByRole("button", { name: "Loops" }).click();
  const cycles = page.getByRole("list", { name: "Loops" }).getByRole("listitem");
  await expect(cycles).toHaveCount(12, { timeout: 30_000 });
  await expect(page.getByText("All 150 tried; these 12 close, even sides first.")).toBeVisible();
  await expectAccessible(page);
  await cycles.first().getByRole("button", { name: "Save as a drill" }).click();
  await cycles.first().getByRole("link", { name: "Saved: open it" }).click();
  await expect(page).toHaveURL(/\/drills\//, { timeout: 30_000 });
  await expect(page.getByRole("heading", { name: "4 counts" })).toBeVisible();
  await expect(page.getByText("sound", { exact: true }).first()).toBeVisible();
});

test("two drills are joined by the shortest way, or it is said why not", async ({ page }) => {
  await page.goto(`${DRILL("000")}/ladder`);
  await page.getByRole("button", { name: "Combine drills" }).click();
  const then = page.getByRole("combobox", { name: "Then" });
  await then.fill("The low line");
  await page.getByRole("option", { name: "The low line" }).click();
  await expect(page.getByRole("list", { name: "Ways" }).getByRole("listitem").first()).toBeVisible({ timeout: 30_000 });
  await then.fill("Push and turn");
  await page.getByRole("option", { name: "Push and turn" }).click();
  await expect(page.getByRole("alert")).toContainText("sensitivity drill");
});
