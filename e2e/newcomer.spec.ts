/**
 * What somebody does in the first quarter of an hour, each task with the presses that it may take at most
 * (a click, a choice, a field that is filled). How many were wanted was set down first.
 */
import { expect, test, type Locator, type Page } from "@playwright/test";
import { editorText, expectAccessible, focusEditor, freshDrill } from "./helpers.ts";

/** Presses of a user, counted. */
function hands(page: Page) {
  let presses = 0;
  return {
    async press(target: Locator) {
      presses++;
      await target.click();
    },
    async fill(target: Locator, text: string) {
      presses++;
      await target.fill(text);
    },
    button: (name: string | RegExp) => page.getByRole("button", { name }).first(),
    link: (name: string | RegExp) => page.getByRole("link", { name }).first(),
    used: () => presses,
  };
}

test("what it is for stands on the first page, with four steps and what the signs mean", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByText("Who throws what, and what answers it", { exact: false })).toBeVisible();
  await expect(page.getByRole("region", { name: "Getting started" }).getByRole("link")).toHaveCount(4);
  await expect(page.getByRole("list", { name: "What the signs mean" })).toContainText("something gets through");
});

test("a first drill of three rows, typed: 3 presses", async ({ page }) => {
  const user = hands(page);
  await page.goto("/");
  await user.fill(page.getByRole("textbox", { name: "Start from" }), "A jab -> B catch, jab");
  await user.press(user.button("New drill"));
  await focusEditor(page);
  await page.keyboard.press("Control+End");
  await page.keyboard.type("A cross -> B slip out, cross");
  await page.keyboard.press("Escape");
  await page.keyboard.press("Enter");
  await page.keyboard.type("A lead hook -> B weave, cross");
  await page.keyboard.press("Escape");
  await expect(page.getByText("sound", { exact: true }).first()).toBeVisible();
  await expect(page.locator("[data-crossing]")).toHaveCount(3);
  expect(user.used()).toBeLessThanOrEqual(3);
});

test("a first drill of two rows without typing: 7 presses", async ({ page }) => {
  const user = hands(page);
  await page.goto("/");
  await user.press(user.button("New drill"));
  await user.press(user.button("Add a row"));
  // The list of feeds is open: the builder has the focus.
  await user.press(page.getByRole("option", { name: "jab", exact: true }));
  const answers = page.getByRole("list", { name: "Answers that work" }).getByRole("button");
  await user.press(answers.first());
  await user.press(user.button("Add the row"));
  await expect.poll(() => editorText(page)).toMatch(/A jab -> B \w+/);
  await expect(page.getByText("sound", { exact: true }).first()).toBeVisible();
  expect(user.used()).toBeLessThanOrEqual(7);
});

test("a broken drill is mended from the first page: 2 presses", async ({ page }) => {
  const user = hands(page);
  await page.goto("/");
  await user.press(user.link(/^Mend/));
  await user.press(user.button(/^Answer with/));
  await expect(page.getByText("sound", { exact: true }).first()).toBeVisible();
  expect(user.used()).toBeLessThanOrEqual(2);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText("broken", { exact: true })).toBeVisible();
});

test("an evening from any drill, from a new class to the sheet: 12 presses", async ({ page }) => {
  await page.addInitScript(() => {
    window.print = () => undefined;
  });
  const user = hands(page);
  await page.goto("/");
  await user.press(user.link("Term"));
  await user.press(user.button("Add a class"));
  const dialog = page.getByRole("dialog");
  await user.fill(dialog.getByRole("textbox", { name: "Name" }), "First evening");
  await user.fill(dialog.getByLabel("Day"), "2027-05-05");
  await user.press(dialog.getByRole("button", { name: "Save" }));
  await page.getByRole("link", { name: "First evening" }).click();
  await user.press(user.button("Everybody"));
  await expect(page.getByText("15 of 15 are here.")).toBeVisible();
  await user.press(user.link("Plan the evening"));
  await expect(page.getByText("Saved.", { exact: false })).toBeVisible({ timeout: 15_000 });
  await user.press(page.getByRole("combobox", { name: "We work on" }));
  await user.press(page.getByRole("option", { name: "Pads by name", exact: true }));
  await expect(page.getByRole("combobox", { name: "We work on" })).toContainText("Pads by name, for an evening", {
    timeout: 30_000,
  });
  const blocks = page.getByRole("list", { name: "Blocks" }).getByRole("listitem");
  const titles = page.getByRole("textbox", { name: /What is done in block/ });
  const written = () => titles.evaluateAll((all) => all.map((one) => (one as HTMLTextAreaElement).value).join("; "));
  await expect.poll(written).toContain("Drink");
  expect(await blocks.count()).toBeGreaterThan(5);
  await expect(page.getByText("Saved.", { exact: false })).toBeVisible({ timeout: 15_000 });
  await user.press(user.link("Sheet to print"));
  await expect(page.getByRole("group", { name: /Page 1 of/ })).toContainText("Drink");
  await user.press(user.button("Print"));
  expect(user.used()).toBeLessThanOrEqual(12);
});

test("a move, a person and a class are found with 1 press and their names", async ({ page }) => {
  const user = hands(page);
  await page.goto("/");
  await user.press(user.button("Search everything"));
  await expect(page.getByRole("combobox", { name: "Drills, moves, people, classes" })).toBeFocused();
  await page.keyboard.type("mae geri");
  await expect(page.getByRole("option", { name: /^front kick/ })).toBeVisible();
  await page.keyboard.press("Escape");
  expect(user.used()).toBeLessThanOrEqual(1);
});

test("a table with foreign headers and in the encoding of a spreadsheet: 4 presses", async ({ page }) => {
  const user = hands(page);
  await page.goto("/people");
  await user.press(user.button("Import CSV"));
  const dialog = page.getByRole("dialog");
  // Windows-1252: a u with two dots is one byte.
  const bytes = Buffer.from("Vorname;Nachname;Größe;Gürtel\nJürgen;Weiß;1,81 m;4\n", "latin1");
  await dialog.locator('input[type="file"]').setInputFiles({ name: "club.csv", mimeType: "text/csv", buffer: bytes });
  await expect(dialog.getByText("Jürgen Weiß, 181 cm", { exact: false })).toBeVisible();
  await user.press(dialog.getByRole("combobox", { name: "Gürtel" }));
  await user.press(page.getByRole("option", { name: "level feeder" }));
  await expect(dialog.getByText("feeder 4", { exact: false })).toBeVisible();
  await user.press(dialog.getByRole("button", { name: "Add 1" }));
  await expect(page.getByRole("button", { name: "Change Jürgen Weiß" })).toBeVisible();
  expect(user.used()).toBeLessThanOrEqual(4);
  // Other tests count the people of the demo club.
  await page.getByRole("button", { name: "Change Jürgen Weiß" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Archive" }).click();
  await expect(page.getByRole("button", { name: "Change Jürgen Weiß" })).toHaveCount(0);
});

test("a move of one's own that is deleted comes back with 1 press", async ({ page }) => {
  const user = hands(page);
  await page.goto("/moves/new?like=slip");
  await page.getByRole("textbox", { name: /English/ }).fill("quay bend");
  await page.getByRole("textbox", { name: /Coaching/ }).fill("From the hips.\nEyes on them.");
  await page.getByRole("button", { name: "Save the move" }).click();
  const move = page.getByRole("region", { name: "The move" });
  await expect(move.getByRole("heading", { name: "quay bend" })).toBeVisible();
  await move.getByRole("button", { name: "Delete" }).click();
  await expect(page.getByText("“quay bend” is deleted.")).toBeVisible();
  // Said at once, kept a moment later: the page is left when it is kept.
  const kept = page.waitForResponse(
    (response) => /settings/.test(response.url()) && response.request().method() === "POST",
  );
  await user.press(user.button("Undo"));
  await expect(page.getByText("“quay bend” is back.")).toBeVisible();
  expect((await kept).ok()).toBe(true);
  await page.waitForLoadState("networkidle");
  await page.goto("/moves?move=own-quay-bend");
  await expect(move.getByRole("heading", { name: "quay bend" })).toBeVisible();
  await move.getByRole("button", { name: "Delete" }).click();
  await expect(move.getByRole("heading", { name: "quay bend" })).toHaveCount(0);
  expect(user.used()).toBeLessThanOrEqual(1);
});

test("a page of notes in plain words is pasted, looked at, and taken as a drill", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("button", { name: "Paste notes" }).click();
  const dialog = page.getByRole("dialog", { name: "Paste notes" });
  await dialog
    .getByRole("textbox", { name: "Your notes" })
    .fill("Tuesday\n1. Right cross, B slips outside and crosses back\njab -> parries, jab back x10\nslip jab");
  const rows = dialog.getByRole("list", { name: "Rows that were understood" });
  await expect(rows).toContainText("A cross -> B slip out, cross");
  await expect(rows).toContainText("Kept beside it: x10");
  await expect(rows).toContainText("kept as a comment: Tuesday");
  await expectAccessible(page);
  await dialog.getByRole("button", { name: "A slip, jab" }).click();
  await dialog.getByRole("textbox", { name: "Name of the drill" }).fill("From my notebook");
  await dialog.getByRole("button", { name: "Take these 3 rows" }).click();
  await expect(page).toHaveURL(/\/drills\//);
  await expect(page.getByRole("heading", { name: "From my notebook" })).toBeVisible();
  // The editor comes a moment after the page.
  await expect.poll(() => editorText(page)).toContain("A jab -> B parry, jab # x10\nA slip, jab");
});

test("a row in plain words at the desk is read with one press", async ({ page }) => {
  await freshDrill(page, "title: Plain\n\nRight cross, B slips outside and crosses back\n");
  await page.getByRole("button", { name: "Read as A cross -> B slip out, cross" }).first().click();
  await expect(page.getByText("sound", { exact: true }).first()).toBeVisible();
  await expect.poll(() => editorText(page)).toContain("A cross -> B slip out, cross");
});
