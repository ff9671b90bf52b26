/** Finding things again: one search for everything, drills by the moves in them, stars, copies, ladders folded away. */
import { expect, test } from "@playwright/test";
import {
  DRILL,
  editorText,
  expectAccessible,
  expectNoSideScroll,
  faultsOf,
  focusEditor,
  freshDrill,
} from "./helpers.ts";

test("one key finds a move in any spelling, a drill by what is in it, a person, a class", async ({ page }) => {
  const faults = faultsOf(page);
  await page.goto("/term");
  const search = page.getByRole("combobox", { name: "Drills, moves, people, classes" });
  // The key works as soon as the page does.
  const opened = (key: string) =>
    expect(async () => {
      await page.keyboard.press(key);
      await expect(search).toBeFocused({ timeout: 1000 });
    }).toPass();
  await opened("Control+k");
  await search.fill("Pak-Sáo");
  await expect(page.getByRole("option", { name: /^slap parry/ })).toBeVisible();
  await expect(page.getByRole("option", { name: /Pads by name.*slap parry/ })).toBeVisible();
  await expectAccessible(page);
  await search.fill("kester");
  await expect(page.getByRole("option", { name: "Kester Amsel" })).toBeVisible();
  await search.fill("ropewalk");
  await expect(page.getByRole("option", { name: /Tonight at the Ropewalk/ })).toBeVisible();
  await search.fill("zzzzzzzzzz");
  await expect(page.getByText("Nothing is called so.", { exact: false })).toBeVisible();
  await search.fill("four-count");
  await expect(page.getByRole("option", { name: /Four-count weave/ })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Four-count weave" })).toBeVisible();
  await page.goto("/answers");
  await opened("/");
  await search.fill("kester");
  await page.getByRole("option", { name: "Kester Amsel" }).click();
  await expect(page.getByRole("dialog").getByRole("textbox", { name: "Name" })).toHaveValue("Kester Amsel");
  expect(faults).toEqual([]);
});

test("drills are found by the moves in them; rungs are folded below their drill until something is looked for", async ({
  page,
}) => {
  await page.goto("/");
  await expect(page.getByRole("link", { name: "Single answers at the quay, rung 3" })).toHaveCount(0);
  const quay = page.getByRole("row").filter({
    has: page.getByRole("link", { name: "Single answers at the quay", exact: true }),
  });
  await quay.getByRole("button", { name: "6 made from it" }).click();
  await expect(page.getByRole("link", { name: "Single answers at the quay, rung 3" })).toBeVisible();
  await page.getByRole("textbox", { name: "Search drills" }).fill("shin check");
  await expect(page.getByRole("link", { name: "The low line", exact: true })).toBeVisible();
  await expect(page.getByRole("link", { name: "Four-count weave" })).toHaveCount(0);
});

test("a star, a copy, and the tour that stays closed", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByRole("heading", { name: "Getting started" })).toBeVisible();
  await page.getByRole("button", { name: "Hide" }).click();
  await page.reload();
  await expect(page.getByRole("heading", { name: "Drills", exact: true })).toBeVisible();
  await expect(page.getByRole("heading", { name: "Getting started" })).toHaveCount(0);
  await page.getByRole("button", { name: "Star Hands off" }).click();
  await page.getByRole("button", { name: "Starred", exact: true }).click();
  await expect(page.getByRole("link", { name: "Hands off" })).toBeVisible();
  await expect(page.getByRole("link", { name: "Four-count weave" })).toHaveCount(0);
  await expectAccessible(page);
  await page.getByRole("button", { name: "Take the star off Hands off" }).click();
  await expect(page.getByText("No drill fits.", { exact: false })).toBeVisible();
  await page.getByRole("button", { name: "All", exact: true }).click();
  await page.getByRole("button", { name: "Copy Hands off" }).click();
  await expect(page.getByText("“Hands off, copy” is made.")).toBeVisible();
  await page.getByRole("button", { name: "Open it" }).click();
  await expect(page.getByRole("heading", { name: "Hands off, copy" })).toBeVisible();
  await expect.poll(() => editorText(page)).toContain("title: Hands off, copy");
});

test("several drills at once: a tag, a star, and all of them deleted and brought back; a ladder goes with its drill", async ({
  page,
}) => {
  const faults = faultsOf(page);
  for (const n of ["one", "two"]) await freshDrill(page, `title: Bulk ${n}\n\nA jab -> B catch\n`);
  await page.goto("/?q=bulk");
  await page.getByRole("checkbox", { name: "Choose all that are listed" }).check();
  const bar = page.getByRole("region", { name: "Chosen drills" });
  await expect(bar.getByText("2 drills chosen")).toBeVisible();
  await bar.getByRole("combobox", { name: "Tag" }).fill("Term exam");
  await bar.getByRole("button", { name: "Add tag" }).click();
  await expect(page.getByText("term exam", { exact: true }).first()).toBeVisible();
  await bar.getByRole("button", { name: "Star", exact: true }).click();
  await expect(bar.getByRole("button", { name: "Take the star off" })).toBeVisible();
  await expectAccessible(page);
  await page.goto("/");
  await page.getByRole("button", { name: "term exam" }).click();
  await expect(page.getByRole("link", { name: /^Bulk/ })).toHaveCount(2);
  await expect(page.getByRole("link", { name: "Four-count weave" })).toHaveCount(0);
  await page.getByRole("checkbox", { name: "Choose all that are listed" }).check();
  await bar.getByRole("button", { name: "Delete" }).click();
  await expect(page.getByText("2 drills are deleted.")).toBeVisible();
  await expect(page.getByRole("link", { name: /^Bulk/ })).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("link", { name: /^Bulk/ })).toHaveCount(2);
  await page.goto("/");
  await page.getByRole("checkbox", { name: "Choose Single answers at the quay and 6 made from it" }).check();
  await expect(bar.getByText("7 drills chosen")).toBeVisible();
  await bar.getByRole("button", { name: "Choose none" }).click();
  await expect(bar).toHaveCount(0);
  expect(faults).toEqual([]);
});

test("while an answer is typed, what holds against this very feed stands first", async ({ page }) => {
  await freshDrill(page, "title: Typing\n\nA rear uppercut -> B \n");
  await focusEditor(page);
  await page.keyboard.press("Control+End");
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("End");
  await page.keyboard.press("Control+Space");
  const first = page.locator(".cm-tooltip-autocomplete li").first();
  await expect(first).toContainText(/^lean back.*holds, \d+ cm to spare/);
});

test("the drawing and the verdict are in the page as it is sent, and a broken address keeps the places", async ({
  page,
  request,
}) => {
  const html = await (await request.get(DRILL(2))).text();
  expect(html).toContain("answered by B cover: sound");
  expect(html).toContain("A lead hook -&gt; B slip out, cross");
  await page.goto("/drills/5b3c7c1e-0d52-4a4e-9b10-7d6a51fc0999");
  await expect(page.getByRole("heading", { name: "This is not here" })).toBeVisible();
  await expect(page.getByRole("link", { name: "Tonight at the Ropewalk" })).toBeVisible();
});

test("on a phone the search fits and finds", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/people");
  await page.getByRole("button", { name: "Search everything" }).click();
  await page.getByRole("combobox", { name: "Drills, moves, people, classes" }).fill("weave");
  await expect(page.getByRole("option", { name: /Four-count weave/ })).toBeVisible();
  await expectNoSideScroll(page);
  await expectAccessible(page);
});

test("what is typed while the search is on its way is not lost, and words are forgiven", async ({ page }) => {
  await page.goto("/");
  await page.waitForLoadState("networkidle");
  await page.route(/search-dialog.*\.js$/, async (route) => {
    await new Promise((done) => setTimeout(done, 1500));
    await route.continue();
  });
  await page.keyboard.press("Control+k");
  await page.keyboard.type("parries", { delay: 60 });
  await expect(page.getByRole("combobox", { name: "Drills, moves, people, classes" })).toHaveValue("parries");
  await expect(page.getByRole("option", { name: /^parry/ })).toBeVisible();
  expect(new URL(page.url()).search).toBe("");
});

test("the moves forgive a spelling, and say what is written instead of what is not judged", async ({ page }) => {
  await page.goto("/moves");
  const field = page.getByLabel("Search", { exact: true });
  await field.fill("uper cut");
  await expect(page.getByText("Did you mean")).toBeVisible();
  await expect(page.getByRole("navigation", { name: "Moves" }).getByRole("link", { name: /^uppercut/ })).toBeVisible();
  await field.fill("sinawali");
  await expect(page.getByText(/Write its counts as a cycle/)).toBeVisible();
});
