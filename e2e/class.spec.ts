/** An evening from attendance to paper; people, gear and the term. */
import { readFileSync } from "node:fs";
import { expect, test, type Page } from "@playwright/test";
import { expectAccessible, faultsOf, fromMenu } from "./helpers.ts";

/** Actions of a user, counted: the evening must be planned in under two minutes of clicking. */
function counted(page: Page) {
  let actions = 0;
  return {
    click: async (name: string | RegExp, role: "button" | "link" | "option" | "combobox" = "button") => {
      actions++;
      await page
        .getByRole(role, { name, exact: typeof name === "string" })
        .first()
        .click();
    },
    count: () => actions,
  };
}
/** A tap, a look and a thought: seconds of one action; of a tick in a list that is read down. From memory. */
const SECONDS_EACH = 4;
const SECONDS_A_TICK = 1.5;

test("the demo evening is planned from attendance to the printed sheet in under two minutes of clicking", async ({
  page,
}) => {
  // A print dialogue that nobody closes keeps every later page from being printed.
  await page.addInitScript(() => {
    window.print = () => undefined;
  });
  const faults = faultsOf(page);
  const user = counted(page);
  await page.goto("/");
  await user.click(/Tonight at the Ropewalk/, "link");
  await expect(page.getByRole("heading", { name: "Tonight at the Ropewalk" })).toBeVisible();
  // The demo class has its people ticked already: it would take as many ticks.
  const ticks = await page.getByRole("checkbox", { checked: true }).count();
  expect(ticks).toBeGreaterThan(10);
  await user.click("Plan the evening", "link");
  const pairs = page.getByRole("list", { name: "Pairs of round 1", exact: true }).getByRole("listitem");
  await expect(pairs.first()).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText("Saved.", { exact: false })).toBeVisible({ timeout: 15_000 });
  await expectAccessible(page);

  await test.step("the pairs say why, nobody waits, and each gets feeds and answers", async () => {
    await expect(pairs.first()).toContainText(/met|first time together/);
    await expect(page.getByRole("region", { name: "Table of what each gets" }).getByRole("row")).not.toHaveCount(1);
    await expect(page.getByText(/About \d+ repetitions each; in queues/)).toBeVisible();
    await expect(page.getByText("does not work at all")).toHaveCount(0);
  });

  await test.step("two people change places, with the cost said first; a pair is locked", async () => {
    // The first pair is of two minors: nobody else of tonight may be with them.
    await pairs
      .nth(2)
      .getByRole("button", { name: /change places/ })
      .first()
      .click();
    await expect(page.getByText(/changes places with… choose the other/)).toBeVisible();
    await expect(
      pairs
        .nth(3)
        .getByText(/costs|gains/)
        .first(),
    ).toBeVisible();
    await pairs
      .nth(3)
      .getByRole("button", { name: /change places/ })
      .first()
      .click();
    await expect(page.getByRole("button", { name: "Locked" }).or(page.getByText("Locked")).first()).toBeVisible({
      timeout: 15_000,
    });
  });

  await test.step("a block is longer and earlier, a round was run, somebody leaves", async () => {
    const blocks = page.getByRole("list", { name: "Blocks" }).getByRole("listitem");
    const count = await blocks.count();
    await page.getByRole("button", { name: "Block 2: a minute less" }).click();
    await expect(page.getByText("1 min left")).toBeVisible({ timeout: 15_000 });
    await fromMenu(page, "Earlier", "block 3");
    await expect(blocks).toHaveCount(count);
    await page.getByRole("button", { name: "Mark as done" }).click();
    await expect(page.getByText(/lead in front; done/)).toBeVisible({ timeout: 15_000 });
    await page.getByRole("combobox", { name: "Kester Amsel leaves after" }).click();
    await page.getByRole("option", { name: "after round 2", exact: true }).click();
    await page.getByRole("button", { name: "Next", exact: true }).click();
    await page.getByRole("button", { name: "Next", exact: true }).click();
    await expect(page.getByRole("list", { name: "Pairs of round 3", exact: true })).not.toContainText("Kester Amsel", {
      timeout: 15_000,
    });
    await expect(page.getByText("Saved.", { exact: false })).toBeVisible({ timeout: 15_000 });
  });

  await test.step("the sliders say what they mean", async () => {
    await page.getByRole("button", { name: /^Change: rounds/ }).click();
    await page.getByText("Pairing rules").click();
    await expect(page.getByText("never with an adult, unless it is agreed")).toBeVisible();
    await page.getByRole("slider", { name: "The same height" }).focus();
    await page.keyboard.press("Home");
    await expect(page.getByText("is not looked at").first()).toBeVisible();
    await expect(page.getByRole("button", { name: "Back to the default" })).toBeEnabled({ timeout: 15_000 });
    await page.getByRole("button", { name: "Back to the default" }).click();
  });

  await test.step("the sheet is one page of A4", async () => {
    await expect(page.getByText("Saved.", { exact: false })).toBeVisible({ timeout: 15_000 });
    await user.click("Sheet to print", "link");
    const sheet = page.getByRole("group", { name: /^Page 1 of/ });
    await expect(sheet).toContainText("Warm-up");
    await expect(sheet).toContainText("anybody may say it at any time");
    await expectAccessible(page);
    const pdf = await page.pdf({ preferCSSPageSize: true });
    const printed = pdf.toString("latin1").match(/\/Type\s*\/Page\b(?!s)/g);
    expect(printed).toHaveLength(await page.getByRole("group", { name: /^Page \d+ of/ }).count());
    await user.click("Print");
  });
  console.log(`from the list to the printed sheet: ${user.count()} actions and ${ticks} ticks`);
  expect(user.count() * SECONDS_EACH + ticks * SECONDS_A_TICK).toBeLessThan(120);

  await test.step("the wall shows the round that comes, arrow keys go on", async () => {
    await page.getByRole("link", { name: "Back to the plan" }).click();
    await fromMenu(page, "Wall screen");
    await expect(page.getByRole("heading", { name: /Round 2 of \d+/ })).toBeVisible();
    await page.keyboard.press("ArrowRight");
    await expect(page.getByRole("heading", { name: /Round 3 of \d+/ })).toBeVisible({ timeout: 30_000 });
    await expectAccessible(page);
  });

  await test.step("cards of the pairs with their drill drawn, and of the calls", async () => {
    await page.getByRole("link", { name: "Back to the plan" }).click();
    await fromMenu(page, "Cards to print");
    const sheets = page.getByRole("group", { name: /^Page \d+ of \d+$/ });
    await expect(sheets.first()).toContainText(/Round 2 of \d+/);
    await expect(sheets.first()).toContainText(/\(\d\.\d\d m\)/);
    const pairs = await sheets.count();
    const pdf = await page.pdf({ preferCSSPageSize: true });
    expect(pdf.toString("latin1").match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(pairs);
    const kept = page.waitForEvent("download");
    await page.getByRole("button", { name: "Keep as PDF" }).click();
    expect((await kept).suggestedFilename()).toMatch(/^pair-cards.*\.pdf$/i);
    await page.getByRole("button", { name: "Call cards" }).click();
    await page.getByRole("combobox", { name: "Round" }).click();
    await page.getByRole("option", { name: "all that are ahead" }).click();
    await expect(sheets.first().or(page.getByText(/Nothing is called or chosen/))).toBeVisible({ timeout: 15_000 });
    // The list of rounds fades out.
    await expect(page.locator("li[data-value]")).toHaveCount(0);
    await expectAccessible(page);
  });

  await test.step("a plan is dropped, after a second word, and a single round can be paired again", async () => {
    await page.goto("/class");
    await expect(page.getByText(/The evening is planned: \d+ rounds/)).toBeVisible();
    await expect(page.getByRole("button", { name: /Pair them/ })).toHaveCount(0);
    await page.getByRole("button", { name: "Delete the plan…" }).click();
    await page.getByRole("button", { name: "Really delete the plan" }).click();
    // What was run is in the log: it has to be taken back first.
    await expect(page.getByRole("alert")).toContainText("Rounds of this evening were run");
    await page.getByRole("link", { name: "The plan" }).click();
    await page.getByRole("button", { name: "Not done after all" }).click();
    await expect(page.getByRole("button", { name: "Mark as done" })).toBeVisible();
    await expect(page.getByText("Saved.", { exact: false })).toBeVisible({ timeout: 15_000 });
    await page.goto("/class");
    await page.getByRole("button", { name: "Delete the plan…" }).click();
    await page.getByRole("button", { name: "Really delete the plan" }).click();
    await expect(page.getByRole("button", { name: "Pair them" })).toBeVisible();
    await expect(page.getByRole("link", { name: "Plan the evening" })).toBeVisible();
  });
  expect(faults).toEqual([]);
});

test("people are added, changed, wished for, archived and erased", async ({ page }) => {
  await page.goto("/people");
  await page.getByRole("button", { name: "Add a person" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(dialog.getByText("a name is needed")).toBeVisible();
  await dialog.getByLabel("Name").fill("Pelle Grund");
  await dialog.getByLabel("Height, cm").fill("999");
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(dialog.getByText("height must be 90 to 230 cm")).toBeVisible();
  await dialog.getByLabel("Height, cm").fill("176");
  await expectAccessible(page);
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(dialog).toHaveCount(0);
  await page.getByRole("button", { name: "Change Pelle Grund" }).click();
  await dialog.getByLabel("Whom").fill("Edda");
  await page.getByRole("option", { name: "Edda Vire" }).click();
  await expect(dialog.getByText("works together with Edda Vire")).toBeVisible();
  await dialog.getByRole("button", { name: "Archive" }).click();
  await expect(page.getByRole("button", { name: "Change Pelle Grund" })).toHaveCount(0);
  await page.getByRole("button", { name: "Archived" }).click();
  await page.getByRole("button", { name: "Erase…" }).click();
  await page.getByRole("button", { name: "Really erase Pelle Grund" }).click();
  await expect(page.getByText("Nobody is archived.", { exact: false })).toBeVisible();
  await expectAccessible(page);
});

test("a table is read with its units, shown before it is saved, and written again", async ({ page }) => {
  await page.goto("/people");
  await page.getByRole("button", { name: "Import CSV" }).click();
  const file = {
    name: "club.csv",
    mimeType: "text/csv",
    buffer: Buffer.from(
      "Name;Height;Weight;Lead\nTove Raask;5 ft 7;150 lb;right\nBeata Lund;164;61;left\nUlf Krage;tall;80;left\n",
    ),
  };
  await page.locator('input[type="file"]').setInputFiles(file);
  await expect(page.getByText("1 new, 1 already in the list, 1 with errors")).toBeVisible();
  await expect(page.getByText("“tall” is no length; write 178", { exact: false })).toBeVisible();
  await expect(page.getByText("Tove Raask, 170.2 cm, 68 kg")).toBeVisible();
  await expectAccessible(page);
  await page.getByRole("button", { name: "Add 1" }).click();
  await expect(page.getByRole("button", { name: "Change Tove Raask" })).toBeVisible();
  const download = page.waitForEvent("download");
  await page.getByRole("link", { name: "Export CSV" }).click();
  const csv = readFileSync(await (await download).path(), "utf8");
  expect(csv).toMatch(/^name,height cm,/);
  expect(csv).toContain("Tove Raask,170.2,,68,right");
  // Other tests count the people of the demo club.
  await page.getByRole("button", { name: "Change Tove Raask" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Archive" }).click();
  await expect(page.getByRole("button", { name: "Change Tove Raask" })).toHaveCount(0);
});

test("gear is counted, and a wrong number is refused in words", async ({ page }) => {
  await page.goto("/people");
  await page.getByRole("button", { name: "Gear", exact: true }).click();
  const shields = page.getByRole("textbox", { name: "kick shields" });
  await shields.fill("many");
  await shields.press("Enter");
  await expect(page.getByText("Write a whole number from 0 to 9999.")).toBeVisible();
  await shields.fill("4");
  await shields.press("Enter");
  await expect(page.getByText("Write a whole number")).toHaveCount(0);
});

test("a class of the term is added, copied a week on, and seen in the weeks", async ({ page }) => {
  await page.goto("/term");
  await page.getByRole("button", { name: "Add a class" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("A class needs a name.")).toBeVisible();
  await page.getByLabel("Name").fill("Sticks by the water");
  await page.getByLabel("Theme").fill("Angles");
  await page.getByLabel("Day").fill("2027-03-01");
  await page.getByRole("dialog").getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("link", { name: "Sticks by the water" })).toHaveCount(1);
  await fromMenu(page, "Copy", "Sticks by the water, 1 Mar");
  await page.getByRole("button", { name: "Copy", exact: true }).click();
  await expect(page.getByRole("link", { name: "Sticks by the water" })).toHaveCount(2);
  await expectAccessible(page);
  await page.getByRole("button", { name: "Weeks" }).click();
  await expect(page.getByRole("region", { name: "Weeks" }).getByText("Angles").first()).toBeVisible();
  await page.getByRole("button", { name: "Who met whom" }).click();
  await expect(
    page
      .getByRole("list", { name: "Who met whom" })
      .getByText(/met \d+ of \d+/)
      .first(),
  ).toBeVisible();
  await expectAccessible(page);
});

test("what the term has trained: day by day as a chart, feed by feed with its answers", async ({ page }) => {
  await page.goto("/term");
  await page.getByRole("button", { name: "What was trained" }).click();
  await expect(page.getByRole("img", { name: /\d+ \w+: \d+ new, \d+ known/ })).toBeVisible({ timeout: 15_000 });
  const feeds = page.getByRole("list", { name: "Feeds" }).getByRole("listitem");
  await expect(feeds.filter({ hasText: /^jab/ }).first()).toContainText(/slip out \d+×/);
  const all = await feeds.count();
  await page.getByRole("button", { name: "Never trained" }).click();
  await expect(feeds.first()).toContainText("never");
  expect(await feeds.count()).toBeLessThan(all);
  await expectAccessible(page);
});
