/** An evening of two themes: chosen beside each other, planned one after the other, and kept. */
import { expect, test } from "@playwright/test";
import { expectAccessible, faultsOf } from "./helpers.ts";

test("a second theme shares the evening, and is there again after loading", { tag: "@day1" }, async ({ page }) => {
  const faults = faultsOf(page);
  await page.goto("/term");
  await page.getByRole("button", { name: "Add a class" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("textbox", { name: "Name" }).fill("Two themes");
  await dialog.getByLabel("Day").fill("2027-03-10");
  await dialog.getByRole("button", { name: "Save" }).click();
  await page.getByRole("link", { name: "Two themes" }).click();
  await page.getByRole("button", { name: "Everybody" }).click();
  await expect(page.getByText(/15 of \d+ are here/)).toBeVisible();
  await page.goto(`${new URL(page.url()).pathname}/plan`);
  const works = page.getByRole("combobox", { name: "We work on" });
  await works.click();
  await page.getByRole("option", { name: "Four-count weave", exact: true }).click();
  await expect(page).toHaveURL(/ladder=/, { timeout: 30_000 });
  const then = page.getByRole("combobox", { name: "and then" });
  await then.click();
  await page
    .getByRole("option", { name: /Single answers at the quay/ })
    .first()
    .click();
  await expect(page).toHaveURL(/second=/);
  const blocks = page.getByRole("list", { name: "Blocks" });
  await expect(blocks).toContainText("Forehand high", { timeout: 30_000 });
  await expect(blocks).toContainText("Jab, slip out, cross");
  await expect(page.getByText("Saved.", { exact: false })).toBeVisible({ timeout: 30_000 });
  await expectAccessible(page);
  await page.goto(new URL(page.url()).pathname);
  await expect(then).toHaveText(/Single answers at the quay/);
  await then.click();
  await page.getByRole("option", { name: "nothing else" }).click();
  await expect(blocks).not.toContainText("Jab, slip out, cross", { timeout: 30_000 });
  expect(faults).toEqual([]);
});
