/** A large class in lines, a circuit and a game, a part of a drill; everybody unticked by a slip. */
import { expect, test } from "@playwright/test";
import { expectAccessible, faultsOf, newClass } from "./helpers.ts";

test("fifteen people stand in lines; a circuit and a game are added and stay", { tag: "@day0" }, async ({ page }) => {
  const faults = faultsOf(page);
  const path = await newClass(page, "Lines", "2027-03-17");
  await page.getByRole("button", { name: "Nobody" }).click();
  await page.getByRole("button", { name: "Undo: 15 were here" }).click();
  await expect(page.getByText(/15 of \d+ are here/)).toBeVisible();
  await page.goto(`${path}/plan`);
  await page.getByRole("combobox", { name: "We work on" }).click();
  await page.getByRole("option", { name: "One slow blow, then you", exact: true }).click();
  // The plan of the other theme is on the screen until this one is there.
  await expect(page.getByRole("combobox", { name: "We work on" })).toHaveText(/One slow blow/, { timeout: 30_000 });
  const lines = page.getByRole("region", { name: "The lines" });
  await expect(lines).toContainText("Moves on:", { timeout: 30_000 });
  await page.getByRole("button", { name: /^Change: rounds/ }).click();
  await page.getByRole("combobox", { name: "Rotate partners" }).click();
  await page.getByRole("option", { name: "set pairs" }).click();
  await expect(lines).toHaveCount(0, { timeout: 30_000 });
  await page.getByRole("button", { name: "Add a circuit" }).click();
  await page.getByRole("button", { name: "Add a game…" }).click();
  await page.getByRole("menuitem", { name: "Knee tag" }).click();
  const blocks = page.getByRole("list", { name: "Blocks" });
  await expect(blocks.getByRole("textbox", { name: /What is done/ }).filter({ hasText: "Knee tag" })).toHaveCount(1);
  await expect(page.getByText("Saved.", { exact: false })).toBeVisible({ timeout: 30_000 });
  await expectAccessible(page);
  await page.goto(`${path}/plan`);
  await expect(blocks.getByRole("textbox").filter({ hasText: /Circuit of \d stations/ })).toHaveCount(1);
  await page.getByRole("button", { name: /^Change: rounds/ }).click();
  await expect(page.getByRole("combobox", { name: "Rotate partners" })).toHaveText("set pairs");
  await page.goto(`${path}/sheet`);
  await expect(page.getByText(/^Before you begin: nails short/).first()).toBeVisible();
  await expect(page.getByText(/^To hand over:/)).toBeVisible({ timeout: 30_000 });
  expect(faults).toEqual([]);
});
