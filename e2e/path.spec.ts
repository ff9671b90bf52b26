import { expect, test } from "@playwright/test";
import { COVER_AND_RETURN, DRILL, editorText, expectAccessible, focusEditor, fromMenu } from "./helpers.ts";

test("the whole path: a drill mended, varied, people paired, the card printed", async ({ page }) => {
  const faults: string[] = [];
  let watching = true;
  page.on("pageerror", (error) => faults.push(error.message));
  page.on("console", (message) => {
    if (watching && message.type() === "error")
      faults.push(`${page.url()} ${message.text()} ${message.location().url}:${message.location().lineNumber}`);
  });

  /** The scanner puts styles of its own into the page, which the page's policy refuses: not a fault of ours. */
  const scan = async () => {
    watching = false;
    await expectAccessible(page);
    watching = true;
  };

  await test.step("find the drill with the keyboard", async () => {
    await page.goto("/");
    await scan();
    await page.getByRole("textbox", { name: "Search drills" }).fill("cover and");
    await expect(page.getByRole("link", { name: "Hands off", exact: true })).toHaveCount(0);
    await page.getByRole("link", { name: "Cover and return", exact: true }).focus();
    await page.keyboard.press("Enter");
    await expect(page).toHaveURL(new RegExp(DRILL(COVER_AND_RETURN)));
    await expect(page.getByRole("heading", { name: "1 problem" })).toBeVisible();
  });

  await test.step("see what is wrong and why", async () => {
    await expect(page.getByText(/The lead hook still lands on the head/)).toBeVisible();
    await expect(page.getByRole("button", { name: /A lead hook, answered by B slip out: broken/ })).toBeVisible();
    await scan();
  });

  await test.step("change the text and see the finding go", async () => {
    await focusEditor(page);
    await page.getByRole("button", { name: /answered by B slip out: broken/ }).focus();
    await page.keyboard.press("Enter");
    // The picked crossing has selected its text: the answer is typed over it.
    await page.keyboard.type("lead hook -> B weave");
    await page.keyboard.press("Escape");
    expect(await editorText(page)).toContain("A lead hook -> B weave, cross");
    await expect(page.getByRole("heading", { name: "No problems" })).toBeVisible();
    await expect(page.getByText("sound", { exact: true }).first()).toBeVisible();
  });

  await test.step("undo, repair with one button, save", async () => {
    // What was typed slowly, as on a busy machine, is undone in several steps.
    await expect(async () => {
      await page.keyboard.press("Control+z");
      expect(await editorText(page)).toContain("A lead hook -> B slip out, cross");
    }).toPass();
    await expect(page.getByRole("heading", { name: "1 problem" })).toBeVisible();
    await page.getByRole("button", { name: "Answer with weave" }).focus();
    await page.keyboard.press("Enter");
    await expect(page.getByRole("heading", { name: "No problems" })).toBeVisible();
    await page.keyboard.press("Control+s");
    await expect(page.getByText("Saved, revision 2")).toBeVisible();
  });

  await test.step("the revisions say what changed", async () => {
    await fromMenu(page, "Revisions");
    await expect(page.getByText("+ A lead hook -> B weave, cross")).toBeVisible();
    await expect(page.getByText(/The drill goes from/)).toContainText("broken");
    await expect(page.getByText("A lead hook -> B weave: new, sound")).toBeVisible();
    await scan();
    await page.getByRole("link", { name: "Back to the desk" }).click();
  });

  await test.step("make two variations and add them", async () => {
    await page.getByRole("link", { name: "Make a ladder" }).click();
    const ladder = page.getByRole("list", { name: "Rungs" }).locator("> li");
    await expect(ladder.first()).toBeVisible({ timeout: 30_000 });
    expect(await ladder.count()).toBeGreaterThan(3);
    await page.getByText("What makes each rung hard").click();
    await expect(page.getByRole("img", { name: /Load of each rung: 1: \d/ })).toBeVisible();
    await scan();
    await ladder.nth(1).getByRole("button", { name: "Compare" }).click();
    await expect(ladder.nth(1).getByText("Before", { exact: true })).toBeVisible();
    await page.getByRole("button", { name: "All variations" }).click();
    const rungs = page.getByRole("list", { name: "Variations" }).getByRole("listitem");
    await expect(rungs.first()).toBeVisible();
    expect(await rungs.count()).toBeGreaterThan(5);
    await rungs.first().getByRole("button", { name: "Compare" }).click();
    await expect(rungs.first().getByRole("list", { name: "Differences" })).toBeVisible();
    await scan();
    await rungs.first().getByRole("button", { name: "Save as a drill" }).focus();
    await page.keyboard.press("Enter");
    await expect(page.getByRole("link", { name: "Saved: open it" })).toHaveCount(1);
    await page
      .getByText("Other side", { exact: true })
      .locator("..")
      .getByRole("button", { name: "Save as a drill" })
      .click();
    await expect(page.getByRole("link", { name: "Saved: open it" })).toHaveCount(2);
  });

  await test.step("tick who is here and pair them", async () => {
    await page.getByRole("link", { name: /Tonight at the Ropewalk/ }).click();
    await expect(page.getByText("13 of 15 are here.")).toBeVisible();
    await page.getByRole("checkbox", { name: /Nele Farn/ }).focus();
    await page.keyboard.press("Space");
    await page.getByRole("checkbox", { name: /Odo Lachs/ }).focus();
    await page.keyboard.press("Space");
    await expect(page.getByText("15 of 15 are here.")).toBeVisible();
    await page.getByRole("combobox", { name: "We work on" }).click();
    await page.getByRole("option", { name: "Cover and return", exact: true }).click();
    await page.getByRole("button", { name: "Pair them" }).click();
    const pairs = page.getByRole("list", { name: "Pairs of this round" }).getByRole("listitem");
    await expect(pairs).toHaveCount(7);
    await expect(page.getByText("they work in turn")).toHaveCount(1);
    await scan();
  });

  await test.step("give a pair another version", async () => {
    const first = page.getByRole("list", { name: "Pairs of this round" }).getByRole("listitem").first();
    const before = await first.getByRole("combobox").innerText();
    await first.getByRole("combobox").click();
    await page.getByRole("option", { selected: false }).first().click();
    await expect(first.getByRole("combobox")).not.toHaveText(before);
  });

  await test.step("print the card on one A4 page", async () => {
    await page.getByRole("link", { name: "Card to print" }).click();
    const card = page.getByRole("article", { name: "Card" });
    await expect(card).toContainText("Cover and return");
    await expect(card).toContainText("anybody may say it at any time");
    await scan();
    const pdf = await page.pdf({ preferCSSPageSize: true });
    expect(pdf.toString("latin1").match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(1);
  });

  expect(faults).toEqual([]);
});
