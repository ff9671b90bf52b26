/** Forms for people who know the rows: stay, any order, any time, lands, a game; typed, checked, mended, printed. */
import { expect, test } from "@playwright/test";
import { expectAccessible, expectNoSideScroll, editorText, freshDrill, focusEditor, pasteOverAll } from "./helpers.ts";

const NOTES = `title: Thursday, boxing
level: intermediate
tempo: 40%
A: wears gloves
B: wears gloves

A jab -> B catch, jab
A ~jab, cross -> B stay, slip out, cross
any time: A lead hook -> B cover "elbow to the ear"
lands: A cross -> B cover, lead hook -> A cover

game Three clean:
  start: A guard; B guard
  A may: jab | jab, jab | cross
  B may: catch, jab | slip out, cross
  A scores: line 1
  B scores: clean with return 1
  touch: to the glove
  ends: 3 points or 90 s
end
`;

test("a coach's notes with all forms: the hole of the game is said and mended, drawn as a table, and printed", async ({
  page,
}) => {
  await freshDrill(page, NOTES);
  const drawn = page.getByRole("region", { name: "Game Three clean" });
  await expect(drawn.getByRole("row", { name: /jab, jab/ })).toContainText("no answer");
  await expect(page.locator("svg").getByText("any time", { exact: true })).toBeVisible();
  await expect(page.getByText("the feed lands")).toBeVisible();
  await expect(page.getByText(/B has no answer to “jab, jab”/)).toBeVisible();
  await page
    .getByRole("button", { name: /B may also catch, catch/ })
    .first()
    .click();
  await expect.poll(() => editorText(page)).toContain("slip out, cross | catch, catch");
  await expect(drawn.getByRole("row", { name: /^jab, jab/ })).toContainText("holds");
  await expect(drawn.getByText(/3 of 3 feeds can still be answered/)).toBeVisible();
  await expectAccessible(page);

  await page.getByRole("button", { name: "More" }).click();
  await page.getByRole("menuitem", { name: "Card: print or PDF" }).click();
  const card = page.getByRole("group", { name: /^Page 1/ });
  await expect(card).toContainText("any time: A lead hook -> B cover");
  await expect(card).toContainText("At any time: both know which one it is.");
  await expect(card).toContainText("game Three clean:");
  await expect(card).toContainText("Whoever was touched says “yours”.");
  await expectAccessible(page);
});

test("the keys of a game are completed, and a row of numbers in any order is the feeder's choice", async ({ page }) => {
  await freshDrill(page, "A: holds stick 71 cm\nB: holds stick 71 cm\n\nA strike {1..3} in any order -> B block {#}\n");
  await expect(page.getByRole("img", { name: "choose A" })).toBeVisible();
  await focusEditor(page);
  await pasteOverAll(page, "A jab -> B catch\ngame Short:\n  A may: jab\n");
  await page.keyboard.press("Control+End");
  await page.keyboard.type("  tou");
  await page.getByRole("option", { name: /touch:/ }).click();
  await page.keyboard.type("op");
  await expect(page.getByRole("option", { name: "open hand" })).toBeVisible();
});

test("on a phone the table of a game scrolls by itself", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await freshDrill(page, NOTES);
  await page.getByRole("button", { name: "Drawing" }).click();
  await expect(page.getByRole("heading", { name: "Game: Three clean" })).toBeVisible();
  await expectNoSideScroll(page);
});
