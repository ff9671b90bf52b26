/** A class on people's own phones: a link that shows the rounds, and is taken back. */
import { expect, test } from "@playwright/test";
import { COVER_AND_RETURN, DRILL, expectAccessible, expectNoSideScroll, faultsOf, fromMenu } from "./helpers.ts";

test("a link shows the rounds by first names without signing in, until it is ended", async ({ page, browser }) => {
  const faults = faultsOf(page);
  // A class of its own: the demo evening is for others.
  await page.goto("/term");
  await page.getByRole("button", { name: "Add a class" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("textbox", { name: "Name" }).fill("Evening on phones");
  await dialog.getByLabel("Day").fill("2027-03-03");
  await dialog.getByRole("button", { name: "Save" }).click();
  await page.getByRole("link", { name: "Evening on phones" }).click();
  await page.getByRole("button", { name: "Everybody" }).click();
  await expect(page.getByText(/15 of \d+ are here/)).toBeVisible();
  const lesson = new URL(page.url()).pathname;
  await page.goto(`${lesson}/plan`);
  await expect(page.getByText("Saved.", { exact: false })).toBeVisible({ timeout: 30_000 });
  await fromMenu(page, "Send to phones");
  await page.getByRole("button", { name: "Make a link" }).click();
  await expect(page.getByRole("img", { name: "Code of the link" })).toBeVisible();
  await expectAccessible(page);
  const address = await page.getByRole("link", { name: /\/s\// }).getAttribute("href");
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, javaScriptEnabled: false });
  const seen = await phone.newPage();
  await seen.goto(address!);
  await expect(seen.getByRole("heading", { name: "Round 1", exact: false }).first()).toBeVisible();
  await expect(seen.getByText("Amsel")).toHaveCount(0);
  await seen.getByRole("link", { name: "Kester" }).click();
  await expect(seen.getByText(/^[AB]: .*\. [AB]: /).first()).toBeVisible();
  expect(await seen.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
  await page.goto(`${lesson}/sheet`);
  await expect(page.getByRole("group", { name: "Page 1 of" })).toBeVisible();
  await page.goto(`${lesson}/wall`);
  await expect(page.getByRole("img", { name: "Code: your rounds on your phone" })).toBeVisible();
  await page.goto(`${lesson}/phones`);
  await page.getByRole("button", { name: "End the link" }).click();
  await expect(page.getByText("There is no link now.", { exact: false })).toBeVisible();
  await seen.reload();
  await expect(seen.getByRole("heading", { name: "This link is over" })).toBeVisible();
  await phone.close();
  expect(faults).toEqual([]);
});

test("a drill is read by a link without signing in, until it is taken back; the wall shows pairs without names", async ({
  page,
  browser,
}) => {
  await page.goto(`${DRILL(COVER_AND_RETURN)}/share`);
  const part = page.getByRole("region", { name: "The drill" });
  await part.getByRole("button", { name: "Link to the drill" }).click();
  const address = await part.getByRole("link", { name: /\/s\// }).getAttribute("href");
  await expectAccessible(page);
  const stranger = await browser.newContext({
    storageState: { cookies: [], origins: [] },
    viewport: { width: 390, height: 844 },
    javaScriptEnabled: false,
  });
  const seen = await stranger.newPage();
  await seen.goto(address!);
  await expect(seen.getByRole("heading", { name: "Cover and return" })).toBeVisible();
  await expect(seen.getByText("A rear hook -> B cover, cross")).toBeVisible();
  await expectNoSideScroll(seen);
  await part.getByRole("button", { name: "Revoke" }).click();
  await expect(part.getByRole("link")).toHaveCount(0);
  await seen.reload();
  await expect(seen.getByRole("heading", { name: "This link is over" })).toBeVisible();

  await page.goto("/class/5b3c7c1e-0d52-4a4e-9b10-7d6a51fe0001/phones");
  const wall = page.getByRole("region", { name: "The wall, from outside" });
  await wall.getByRole("button", { name: "Link to the wall" }).click();
  await seen.goto((await wall.getByRole("link", { name: /\/s\// }).getAttribute("href"))!);
  await expect(seen.getByRole("heading", { level: 1 })).toBeVisible();
  await expect(seen.getByText(/Anselm|Beata/)).toHaveCount(0);
  await wall.getByRole("button", { name: "Revoke" }).click();
  await expect(wall.getByRole("link")).toHaveCount(0);
  await stranger.close();
});
