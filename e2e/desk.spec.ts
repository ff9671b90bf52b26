import { readFileSync } from "node:fs";
import { expect, test, type Download, type Page } from "@playwright/test";
import {
  COVER_AND_RETURN,
  DRILL,
  editorText,
  expectAccessible,
  focusEditor,
  FOUR_COUNT,
  freshDrill,
  PADS_BY_NAME,
  openDesk,
} from "./helpers.ts";

async function taken(page: Page, item: string, menu = "More"): Promise<Download> {
  await page.getByRole("button", { name: menu, exact: true }).click();
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("menuitem", { name: item }).click(),
  ]);
  return download;
}
const contentOf = async (download: Download): Promise<Buffer> => readFileSync(await download.path());

test("the drawing is walked with arrow keys and picks its text; the text picks the crossing", async ({ page }) => {
  await openDesk(page, DRILL(COVER_AND_RETURN));
  const crossings = page.locator("[data-crossing]");
  await expect(crossings).toHaveCount(4);
  await crossings.first().focus();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("ArrowDown");
  await expect(crossings.nth(2)).toBeFocused();
  await expect(page.getByRole("region", { name: "At the cursor" })).toContainText("slip out");
  const editor = await focusEditor(page);
  await editor.press("Control+Home");
  await expect(page.getByRole("region", { name: "At the cursor" })).toHaveCount(0);
  await editor.press("Control+End");
  await page.keyboard.press("ArrowUp");
  await expect(page.getByRole("region", { name: "At the cursor" })).toContainText("shoulder roll");
  await page.getByRole("button", { name: "Larger" }).click();
  await expect(page.getByRole("button", { name: /Size 125%/ })).toBeVisible();
  expect(
    (await page.locator("[data-drawing=lines] svg[aria-label^=Line]").first().boundingBox())!.height,
  ).toBeGreaterThan(120);
});

test("ring, floor and target: stepped, played, for the bodies of an actual pair", async ({ page }) => {
  await openDesk(page, DRILL(FOUR_COUNT));
  await page.getByRole("button", { name: "Ring" }).click();
  await expect(page.locator("[data-drawing=ring] [data-crossing]")).toHaveCount(4);
  await expectAccessible(page);
  await openDesk(page, DRILL(COVER_AND_RETURN));
  await page.locator("[data-crossing]").nth(1).click();
  await page.getByRole("button", { name: "Floor" }).click();
  await expect(page.getByRole("img", { name: /The floor from above/ })).toBeVisible();
  await page.getByRole("combobox", { name: "A is" }).click();
  await page.getByRole("option", { name: /Anselm Brede/ }).click();
  await page.getByRole("combobox", { name: "B is" }).click();
  await page.getByRole("option", { name: /Ilka Morrow/ }).click();
  // 193 cm and 148 cm: the short one's uppercut does not reach any more, the long one's hook still does.
  const stage = page.locator("[data-drawing=floor]");
  await expect(stage.getByText(/A lead hook to body, B elbow drop/).first()).toBeVisible();
  const slider = page.getByRole("slider", { name: "Moment of the row" });
  const at = async () => Number(await slider.getAttribute("aria-valuenow"));
  const contact = await at();
  await page.getByRole("button", { name: "One step back" }).click();
  expect(await at()).toBeLessThan(contact);
  await page.getByRole("button", { name: "Play" }).click();
  const before = await at();
  await expect.poll(at).not.toBe(before);
  await page.getByRole("button", { name: "Hold" }).click();
  await page.getByRole("button", { name: "Half of 50%" }).click();
  await expect(page.getByRole("button", { name: "Half of 50%" })).toHaveAttribute("aria-pressed", "true");
  await expectAccessible(page);
  await page.getByRole("button", { name: "Target" }).click();
  await expect(page.getByRole("img", { name: /B as A sees them/ })).toBeVisible();
  await expectAccessible(page);
});

test("a drill built without typing, its rows put in another order, all of it undone", async ({ page }) => {
  await freshDrill(page, "title: Built\nA: lead left\nB: lead left\n\nA jab -> B slip out\n");
  await page.getByRole("button", { name: "Add a row" }).click();
  const builder = page.getByRole("region", { name: "Add a row" });
  await builder.getByRole("combobox", { name: "A feeds" }).fill("cross");
  await page.getByRole("option", { name: "cross", exact: true }).click();
  const answers = builder.getByRole("list", { name: "Answers that work" });
  await expect(answers.getByRole("listitem").first()).toBeVisible();
  await expectAccessible(page);
  await answers.getByRole("button").first().focus();
  await page.keyboard.press("1");
  await builder.getByRole("button", { name: "Add the row" }).click();
  await expect.poll(() => editorText(page)).toMatch(/A jab -> B slip out\n+A cross -> B \w+/);
  await builder.getByRole("button", { name: "Close the builder" }).click();
  const order = async () =>
    (await editorText(page))
      .split("\n")
      .filter((row) => row.startsWith("A "))
      .map((row) => row.slice(2, 5));
  expect(await order()).toEqual(["jab", "cro"]);
  await page.locator("[data-crossing]").nth(1).focus();
  await page.keyboard.press("Alt+ArrowUp");
  await expect.poll(order).toEqual(["cro", "jab"]);
  // The same with the handle and the keyboard.
  await page
    .getByRole("button", { name: /^Move exchange/ })
    .first()
    .focus();
  await page.keyboard.press("ArrowDown");
  await expect.poll(order).toEqual(["jab", "cro"]);
  // And with the mouse.
  const [one, two] = await Promise.all(
    [0, 1].map((i) =>
      page
        .getByRole("button", { name: /^Move exchange/ })
        .nth(i)
        .boundingBox(),
    ),
  );
  await page.mouse.move(one!.x + 10, one!.y + 20);
  await page.mouse.down();
  await page.mouse.move(two!.x + 10, two!.y + 30, { steps: 8 });
  await page.mouse.up();
  await expect.poll(order).toEqual(["cro", "jab"]);
  for (let i = 0; i < 4; i++) await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(() => editorText(page)).not.toContain("A cross");
  await page.getByRole("button", { name: "Redo" }).click();
  await expect.poll(() => editorText(page)).toContain("A cross");
});

test("a cycle that does not close is closed with one press", async ({ page }) => {
  await freshDrill(page, "title: Open ring\nkind: flow\n\nloop x4:\n  A jab -> B step back\nend\n");
  const region = page.getByRole("region", { name: "The cycle does not close" });
  await expect(region).toBeVisible();
  await region.getByRole("button", { name: "Close the cycle" }).click();
  const ways = region.getByRole("list", { name: "Ways to close the cycle" });
  await expect(ways.getByRole("listitem").first()).toBeVisible();
  await ways.getByRole("button").first().click();
  await expect(page.getByText("the cycle closes")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText("the cycle does not close", { exact: false }).first()).toBeVisible();
});

test("a line that breaks the drill is drawn as a branch and trained with one press", async ({ page }) => {
  await freshDrill(page, "title: Breaks\nA: lead left\nB: lead left\n\nA jab -> B lean back\n");
  await page.getByRole("button", { name: "What gets through?" }).click();
  await expect(page.getByText(/It holds|lands:/)).toBeVisible({ timeout: 20_000 });
  const train = page.getByRole("button", { name: "Train this: add the line" });
  if ((await train.count()) > 0) {
    const rows = (await editorText(page)).split("\n").length;
    await train.click();
    await expect.poll(async () => (await editorText(page)).split("\n").length).toBeGreaterThan(rows);
  }
});

test("files: score, data, drawing as SVG and PNG, card as PDF", async ({ page }) => {
  await openDesk(page, DRILL(FOUR_COUNT));
  await expect(page.locator("[data-crossing]").first()).toBeVisible();
  const score = await taken(page, "Export the score as text (.vics)");
  expect(score.suggestedFilename()).toBe("four-count-weave.vics");
  expect((await contentOf(score)).toString()).toBe(await editorText(page));
  const data = JSON.parse(
    (await contentOf(await taken(page, "Export score and verdicts as data (.json)"))).toString(),
  ) as {
    format: string;
    check: { exchanges: unknown[] };
  };
  expect(data.format).toBe("vicissor drill");
  expect(data.check.exchanges.length).toBeGreaterThan(3);
  const svg = (await contentOf(await taken(page, "Export the drawing as SVG"))).toString();
  expect(svg).toContain("forehand high");
  expect(svg).not.toContain("var(--");
  const wellFormed = await page.evaluate((text) => {
    const file = new DOMParser().parseFromString(text, "image/svg+xml");
    return [file.querySelector("parsererror") === null, file.querySelectorAll("path").length];
  }, svg);
  expect(wellFormed[0]).toBe(true);
  expect(wellFormed[1]).toBeGreaterThan(8);
  const png = await contentOf(await taken(page, "Export the drawing as PNG"));
  expect(png.subarray(1, 4).toString()).toBe("PNG");
  // Width of the picture in its header: sharp enough for paper.
  expect(png.readUInt32BE(16)).toBeGreaterThan(800);
});

test("the card of a drill: one A4 page in black and white, with the pads named, as PDF too", async ({ page }) => {
  await openDesk(page, DRILL(PADS_BY_NAME));
  await page.getByRole("button", { name: "More" }).click();
  await page.getByRole("menuitem", { name: "Card: print or PDF" }).click();
  const sheet = page.getByRole("group", { name: "Page 1 of 1" });
  await expect(sheet).toBeVisible();
  await expect(sheet).toContainText(/Pads: .*on the (left|right) pad/);
  await expect(sheet).toContainText("anybody may say it at any time");
  await expectAccessible(page);
  const printed = await page.pdf({ preferCSSPageSize: true });
  expect(printed.toString("latin1").match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(1);
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Keep as PDF" }).click(),
  ]);
  const pdf = (await contentOf(download)).toString("latin1");
  expect(pdf.startsWith("%PDF-")).toBe(true);
  expect(pdf.match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(1);
});

test("a file is shown as it was read before it is saved; what is no drill says why", async ({ page }) => {
  await page.goto("/");
  const file = page.getByLabel("A drill as a file");
  const give = (name: string, text: string) =>
    file.setInputFiles({ name, mimeType: "text/plain", buffer: Buffer.from(text) });
  await give("photo.json", '{"name": "x"}');
  await expect(page.getByRole("alert")).toContainText("photo.json is JSON, but no drill");
  await page.getByRole("button", { name: "Close" }).click();
  await give("brought.vics", "title: Brought in\r\n\r\nA lead hook -> B slip out\r\n");
  const dialog = page.getByRole("dialog", { name: "Brought in" });
  await expect(dialog).toContainText("1 exchange, 1 error, 0 risks");
  await expect(dialog).toContainText("The lead hook still lands on the head");
  await expectAccessible(page);
  await dialog.getByRole("button", { name: "Save as a drill" }).click();
  await expect(page.getByRole("heading", { name: "Brought in", level: 1 })).toBeVisible();
  await expect.poll(() => editorText(page)).toContain("A lead hook -> B slip out");
});

test("calls of a drill: weights, another round and the same again, files, print", async ({ page }) => {
  await page.goto(`${DRILL(PADS_BY_NAME)}/calls`);
  const calls = page.getByRole("list", { name: "Calls in order" }).getByRole("listitem");
  await expect(calls.first()).toBeVisible();
  await expectAccessible(page);
  const first = await calls.allTextContents();
  await page.getByRole("button", { name: "Another round" }).click();
  expect(await calls.allTextContents()).not.toEqual(first);
  await page.getByRole("spinbutton", { name: "Round number" }).fill("1");
  await expect.poll(() => calls.allTextContents()).toEqual(first);
  const never = page.getByRole("button", { name: "never", exact: true });
  for (let i = 0; i < 3; i++) await never.nth(i).click();
  await expect(page.getByRole("alert")).toContainText("Only “four” can be called");
  await page.getByRole("group", { name: "How often one" }).getByRole("button", { name: "2×" }).click();
  await expect(page.getByText(/one \d+×, four \d+×/)).toBeVisible();
  const midi = await taken(page, "Clicks with the calls as lyrics (MIDI)", "Export");
  expect((await contentOf(midi)).subarray(0, 4).toString()).toBe("MThd");
  const vtt = await taken(page, "Captions at their times (WebVTT)", "Export");
  expect((await contentOf(vtt)).toString()).toMatch(/^WEBVTT\n\n1\n00:00:04\.000 --> /);
});
