/** An evening that was arranged by hand is undone, kept as a template, and begins another class. */
import { expect, test } from "@playwright/test";
import { expectAccessible, faultsOf, fromMenu, plannedClass } from "./helpers.ts";

test("a plan is undone step by step, kept as a template, and another class begins with it", async ({ page }) => {
  const faults = faultsOf(page);
  await plannedClass(page, "Evening to keep", "2027-04-06");
  const blocks = page.getByRole("list", { name: "Blocks" });
  const saved = page.getByText("Saved.", { exact: false });
  const warmUp = blocks.getByRole("listitem").first();
  const longer = page.getByRole("button", { name: "Block 1: a minute more" });
  await expect(warmUp).toContainText("10 min");

  await test.step("a change of the minutes is taken back and made again, by button and by key", async () => {
    await longer.click();
    await longer.click();
    await expect(warmUp).toContainText("12 min");
    await page.getByRole("button", { name: "Undo" }).click();
    await expect(warmUp).toContainText("11 min");
    await page.keyboard.press("Control+z");
    await expect(warmUp).toContainText("10 min");
    await page.keyboard.press("Control+y");
    await page.keyboard.press("Control+Shift+z");
    await expect(warmUp).toContainText("12 min");
    await expect(saved).toBeVisible({ timeout: 30_000 });
    await expectAccessible(page);
  });

  await test.step("it is kept under the name of its day", async () => {
    await fromMenu(page, "Keep as a template");
    const dialog = page.getByRole("dialog", { name: "Keep this evening as a template" });
    await expect(dialog.getByRole("textbox", { name: "Name" })).toHaveValue("My Tuesday");
    await expectAccessible(page);
    await dialog.getByRole("button", { name: "Keep", exact: true }).click();
    await expect(dialog).toHaveCount(0);
  });

  await test.step("another class begins with it: day, minutes, and the blocks of its plan", async () => {
    await page.goto("/term");
    await page.getByRole("button", { name: "Add a class" }).click();
    const dialog = page.getByRole("dialog", { name: "Add a class" });
    await dialog.getByRole("combobox", { name: "Begin with" }).click();
    await page.getByRole("option", { name: "My Tuesday" }).click();
    await expect(dialog.getByRole("textbox", { name: "Name" })).toHaveValue("Evening to keep");
    await dialog.getByRole("textbox", { name: "Name" }).fill("Made by the template");
    await dialog.getByLabel("Day").fill("2027-04-13");
    await dialog.getByRole("button", { name: "Save" }).click();
    await page.getByRole("link", { name: "Made by the template" }).click();
    await page.getByRole("button", { name: "Everybody" }).click();
    await expect(page.getByText(/15 of \d+ are here/)).toBeVisible();
    await page.goto(`${new URL(page.url()).pathname}/plan`);
    await expect(warmUp).toContainText("12 min", { timeout: 30_000 });
  });

  await test.step("a template that is not wanted any more is deleted, and the class stays", async () => {
    await page.goto("/term");
    await page.getByRole("button", { name: "Add a class" }).click();
    const dialog = page.getByRole("dialog", { name: "Add a class" });
    await dialog.getByRole("combobox", { name: "Begin with" }).click();
    await page.getByRole("option", { name: "My Tuesday" }).click();
    await dialog.getByRole("button", { name: "Delete template" }).click();
    await expect(dialog.getByRole("combobox", { name: "Begin with" })).toHaveCount(0);
    await dialog.getByRole("button", { name: "Close" }).click();
    await expect(page.getByRole("link", { name: "Made by the template" })).toBeVisible();
  });
  expect(faults).toEqual([]);
});
