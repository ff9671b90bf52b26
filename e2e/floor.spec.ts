/** The running class on two devices: one clock, every tap once, without a network, somebody hurt, a late comer. */
import { spawn } from "node:child_process";
import { expect, test, type Page } from "@playwright/test";
import {
  COVER_AND_RETURN,
  database,
  DRILL,
  expectAccessible,
  faultsOf,
  left,
  plannedClass,
  rowsOf,
  startNow,
  fromMenu,
} from "./helpers.ts";

const button = (page: Page, name: string | RegExp) => page.getByRole("button", { name });

test("an evening on two devices, from the start to somebody hurt", async ({ page, context, browser }) => {
  test.setTimeout(240_000);
  const faults = faultsOf(page);
  const path = await plannedClass(page, "On the floor", "2027-03-24");
  await page.getByRole("link", { name: "Start class" }).click();
  const other = await (await browser.newContext()).newPage();
  await other.goto(`${path}/floor`);
  await expect(page.getByText("All devices show the same")).toBeVisible();
  await expect(other.getByText("All devices show the same")).toBeVisible();

  await test.step("the clock is one on both, and goes on when the page is loaded again", async () => {
    await startNow(page);
    await expect(button(other, "Pause")).toBeVisible({ timeout: 5000 });
    await page.waitForTimeout(1500);
    // Both are read at the same moment: one after the other a second may pass in between.
    const [here, there] = await Promise.all([left(page), left(other)]);
    expect(Math.abs(here - there)).toBeLessThanOrEqual(1);
    await other.reload();
    await expect(button(other, "Pause")).toBeVisible();
    expect(Math.abs((await left(page)) - (await left(other)))).toBeLessThanOrEqual(1);
    await expectAccessible(page);
  });
  await test.step("all stop is on every screen until somebody says go on", async () => {
    await button(other, "ALL STOP").click();
    const stop = page.getByRole("alertdialog", { name: "All stop" });
    await expect(stop).toBeVisible({ timeout: 5000 });
    await expect(stop).toContainText("Stop. Stand where you are. Sticks down, mitts down.");
    await expectAccessible(page);
    await page.getByRole("alertdialog").getByRole("button", { name: "Go on" }).click();
    await expect(other.getByRole("alertdialog")).toHaveCount(0, { timeout: 5000 });
  });
  await test.step("two taps say what was seen of a pair, a third takes it back", async () => {
    await button(page, "Next").click();
    await button(page, "Next").click();
    await expect(page.getByText(/^Round 1 of/)).toBeVisible();
    const first = page.getByRole("list", { name: "Pairs of round 1" }).getByRole("listitem").first();
    await first.getByRole("button").first().click();
    await page.getByRole("button", { name: "late", exact: true }).first().click();
    await expect(other.getByText(/: late ×$/)).toBeVisible({ timeout: 2000 });
    await button(page, /^Take back: /)
      .first()
      .click();
    await expect(other.getByText(/: late ×$/)).toHaveCount(0, { timeout: 2000 });
    // A slip of the finger is undone, whether it took a mark out or put some in.
    await button(page, "Undo: late taken out").click();
    await expect(other.getByText(/: late ×$/)).toBeVisible({ timeout: 2000 });
    await button(page, /^Take back: /)
      .first()
      .click();
    await expect(other.getByText(/: late ×$/)).toHaveCount(0, { timeout: 2000 });
    await button(page, /^Nothing amiss: the \d not marked/).click();
    await button(page, /^Undo: \d+ marks$/).click();
    await expect(page.getByText(/: nothing seen amiss ×$/)).toHaveCount(0);
    await button(page, /^Nothing amiss: the \d not marked/).click();
    // Whoever stands in a pair of this round: somebody may work with the instructor.
    const members = page.getByRole("list", { name: "Pairs of round 1" }).getByRole("img", { name: /^partner / });
    await expect(other.getByText(/: nothing seen amiss ×$/)).toHaveCount(await members.count(), { timeout: 5000 });
    await expectAccessible(page);
  });
  await test.step("what is tapped without a network is kept, over a closed page, and arrives once", async () => {
    await context.setOffline(true);
    await expect(page.getByText(/No connection: the clock goes on/)).toBeVisible({ timeout: 20_000 });
    const before = await left(page);
    await button(page, "A minute more").click();
    expect((await left(page)) - before).toBeGreaterThan(55);
    await page.waitForTimeout(500);
    expect(
      await page.evaluate(() => Object.keys(localStorage).filter((key) => /^vicissor floor [0-9a-f]{8}-/.test(key))),
    ).toHaveLength(1);
    // The page itself comes out of what was kept, and the clock with what was tapped.
    const shown = await left(page);
    await page.reload();
    await expect(button(page, "Pause")).toBeVisible({ timeout: 20_000 });
    await expect.poll(async () => Math.abs((await left(page)) - shown), { timeout: 10_000 }).toBeLessThanOrEqual(25);
    await context.setOffline(false);
    await expect(page.getByText("All devices show the same")).toBeVisible({ timeout: 20_000 });
    await expect
      .poll(async () => Math.abs((await left(page)) - (await left(other))), { timeout: 10_000 })
      .toBeLessThanOrEqual(1);
    expect(
      await page.evaluate(() => Object.keys(localStorage).filter((key) => /^vicissor floor [0-9a-f]{8}-/.test(key))),
    ).toEqual([]);
  });
  await test.step("somebody is hurt: what to do is said, and the rounds to come are without them", async () => {
    await button(page, "Injury").click();
    // The first press stops everybody, before anything is asked.
    await expect(other.getByRole("alertdialog", { name: "All stop" })).toBeVisible({ timeout: 5000 });
    const stands = await left(other);
    await button(page, "Edda Vire").click();
    await expectAccessible(page);
    await button(page, "Head").click();
    await expect(
      page.getByText(/No contact, falls, rolling, jumping or kicks in any class until a doctor/),
    ).toBeVisible();
    await expectAccessible(page);
    await button(page, "Done").click();
    expect(await left(other)).toBe(stands);
    await page.getByRole("alertdialog").getByRole("button", { name: "Go on" }).click();
    await expect(other.getByRole("alertdialog")).toHaveCount(0, { timeout: 5000 });
    await expect(page.getByText("Edda Vire (hurt)")).toBeVisible();
    await button(page, "Next").click();
    await button(page, "Next").click();
    const second = page.getByRole("list", { name: "Pairs of round 2" });
    await expect(second).not.toContainText("Edda Vire", { timeout: 10_000 });
    await expect(other.getByRole("list", { name: "Pairs of round 2" })).not.toContainText("Edda Vire");
  });
  await test.step("two change places: a tap for the one, a tap for the other", async () => {
    const pairs = page.getByRole("list", { name: "Pairs of round 2" }).getByRole("listitem");
    const names = async (i: number) => {
      const text = await pairs.nth(i).getByRole("button").first().innerText();
      return (
        text
          .split("\n")
          .map((part) => part.trim())
          // Names, without the marks of the partners and what somebody leaves out.
          .filter((part) => /^\p{Lu}\p{L}+ \p{Lu}\p{L}+$/u.test(part))
      );
    };
    // Neither is a pair of minors: nobody may change into that one.
    const [one, two] = [await names(1), await names(5)];
    await button(page, "Swap two").click();
    const dialog = page.getByRole("dialog");
    await expectAccessible(page);
    await dialog.getByRole("button", { name: one[1]! }).click();
    await dialog.getByRole("button", { name: two[1]! }).click();
    await expect(page.getByRole("dialog")).toHaveCount(0, { timeout: 10_000 });
    await expect(pairs.filter({ hasText: one[0]! })).toContainText(two[1]!, { timeout: 10_000 });
    await expect(
      other.getByRole("list", { name: "Pairs of round 2" }).getByRole("listitem").filter({ hasText: two[0]! }),
    ).toContainText(one[1]!, { timeout: 10_000 });
  });
  await test.step("a late comer is in from the next round on", async () => {
    await button(page, "Latecomer").click();
    await button(page, "Odo Lachs").click();
    await expect(page.getByRole("dialog")).toHaveCount(0, { timeout: 10_000 });
    await button(page, "Next").click();
    await button(page, "Next").click();
    await expect(page.getByRole("list", { name: "Pairs of round 3" })).toContainText("Odo Lachs", { timeout: 10_000 });
  });
  await test.step("another theme asks first, and what ran stays as it was, row by row", async () => {
    const lesson = /[0-9a-f-]{36}/.exec(path)![0];
    const ran = () =>
      rowsOf("select * from rounds_run where class_id = $1 order by round, place, times, written_at, id", [lesson]);
    await page.reload();
    await expect(page.getByText("All devices show the same")).toBeVisible();
    const before = await ran();
    expect(new Set(before.map(({ round }) => round as number))).toEqual(new Set([0, 1, 2]));
    await page.goto(`${path}/plan`);
    await page.getByRole("combobox", { name: "We work on" }).click();
    await page.getByRole("option", { name: "Cover and return", exact: true }).click();
    await expect(page.getByText(/This class is running\./)).toBeVisible({ timeout: 30_000 });
    const change = button(page, "Change the theme from the next round");
    await expect(change).toBeEnabled({ timeout: 30_000 });
    await expectAccessible(page);
    await change.click();
    await expect(page.getByText("Saved.", { exact: false })).toBeVisible({ timeout: 30_000 });
    expect(await ran()).toEqual(before);
    // The hurt one is in nothing that began afterwards, and in no pair to come.
    const edda = await rowsOf<{ ran: string; planned: string }>(
      `select (select count(*) from rounds_run r where r.class_id = $1 and r.round > 0 and s.id = any(r.people)) as ran,
         (select count(*) from pairs p join blocks b on b.school_id = p.school_id and b.id = p.block_id
          where b.class_id = $1 and p.at > 0 and s.id in (p.student_a, p.student_b, p.student_c)) as planned
       from students s where s.name = 'Edda Vire' and s.school_id = (select school_id from classes where id = $1)`,
      [lesson],
    );
    expect(edda).toEqual([{ ran: "0", planned: "0" }]);
    await expect(other.getByText("All devices show the same")).toBeVisible();
    await expect(other.getByRole("list", { name: "Pairs of round 3" })).toContainText("Odo Lachs");
  });
  // Who is offline hears so in the console; nothing else may be said there.
  expect(faults.filter((fault) => !/ERR_INTERNET_DISCONNECTED|Failed to (?:load resource|fetch)/.test(fault))).toEqual(
    [],
  );
});

test("the log shows rounds that were run; a mark is put right, a note of who was hurt is kept", async ({ page }) => {
  const faults = faultsOf(page);
  await page.goto("/term");
  await page.getByRole("link", { name: "Log" }).click();
  const rounds = page.getByRole("list", { name: /^Rounds of/ });
  await expect(rounds.first()).toContainText(/round \d/);
  await page.getByRole("combobox", { name: "Who" }).click();
  await page.getByRole("option", { name: "Kester Amsel" }).click();
  await expect(page.getByText("What Kester Amsel trained")).toBeVisible();
  await expect(page).toHaveURL(/person=/);
  // The list follows the address.
  await expect(rounds.getByRole("listitem").filter({ hasNotText: "Kester Amsel" })).toHaveCount(0);
  await expect(rounds.first()).toContainText("Kester Amsel");
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Export table" }).click(),
  ]);
  expect(file.suggestedFilename()).toBe("log.csv");
  // A mark that is taken out by mistake comes again, and the log says both.
  const mark = rounds
    .first()
    .getByRole("button", { name: /Kester/ })
    .first();
  const said = (await mark.textContent())!;
  await mark.click();
  await page.getByRole("menuitem", { name: "Not seen after all" }).click();
  await expect(page.getByText(`“${said}” is put right.`)).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText(`“${said}” is back.`)).toBeVisible();
  await expect(rounds.first().getByRole("button", { name: said }).first()).toBeVisible();
  const hurt = page.getByRole("region", { name: "Who was hurt" });
  await hurt.getByRole("textbox", { name: "What happened" }).first().fill("Heads together");
  await hurt.getByRole("button", { name: "Keep the note" }).first().click();
  await page.reload();
  await expect(hurt.getByRole("textbox", { name: "What happened" }).first()).toHaveValue("Heads together");
  await hurt.getByRole("textbox", { name: "Doctor who said so" }).first().fill("Dr. Example");
  await hurt.getByRole("textbox", { name: "Your name" }).first().fill("Maren Holt");
  await hurt.getByLabel("On", { exact: true }).first().fill("2026-06-01");
  await hurt.getByRole("button", { name: "Cleared for contact" }).first().click();
  // Never on the day of the blow.
  await expect(hurt.getByText(/Nobody is cleared on the day of the blow/)).toBeVisible();
  await expectAccessible(page);
  expect(faults).toEqual([]);
  // Other tests tick everybody, and nobody with a blow to the head is ticked on its day.
  await rowsOf("delete from incidents where place = 'head'", []);
});

test("the clock of a drill runs what was chosen, and swaps roles on time", { tag: "@day0" }, async ({ page }) => {
  const faults = faultsOf(page);
  await page.goto("/");
  await page.getByRole("link", { name: "One slow blow, then you" }).click();
  await fromMenu(page, "Clock");
  const choose = async (name: string, option: string) => {
    await page.getByRole("combobox", { name }).click();
    await page.getByRole("option", { name: option, exact: true }).click();
    await expect(page.getByRole("combobox", { name })).toHaveText(option);
  };
  await choose("Rounds", "2");
  await choose("Each", "0:30");
  await choose("Rest", "none");
  await choose("Swap roles every", "0:15");
  await choose("Beat", "60 a minute");
  await button(page, "Start").click();
  await expect(button(page, "Turn sound off")).toBeVisible();
  await button(page, "Next").click();
  await expect(page.getByText("Round 1 of 2")).toBeVisible();
  await expect(page.getByText(/^A feeds; change in/)).toBeVisible();
  await expect(page.getByText(/^B feeds; change in/)).toBeVisible({ timeout: 20_000 });
  await button(page, "Pause").click();
  const stands = await left(page);
  await page.waitForTimeout(1500);
  expect(await left(page)).toBe(stands);
  await expectAccessible(page);
  expect(faults).toEqual([]);
});

test("calls are spoken by words that come with it, and said again by a tap", { tag: "@day1" }, async ({ page }) => {
  const faults = faultsOf(page);
  await page.addInitScript(() => {
    const spoken: { readonly at: number; readonly long: number; readonly loud: number }[] = [];
    Object.assign(window, { spoken });
    const { start } = AudioBufferSourceNode.prototype;
    AudioBufferSourceNode.prototype.start = function (at = 0) {
      const samples = this.buffer?.getChannelData(0) ?? new Float32Array();
      spoken.push({
        at,
        long: this.buffer?.duration ?? 0,
        loud: samples.reduce((max, v) => Math.max(max, Math.abs(v)), 0),
      });
      start.call(this, at);
    };
  });
  const spoken = () =>
    page.evaluate(() => (window as unknown as { spoken: { at: number; long: number; loud: number }[] }).spoken);
  await page.goto(`${DRILL(COVER_AND_RETURN)}/clock`);
  await page.getByRole("combobox", { name: "Calls" }).click();
  await page.getByRole("option", { name: "by voice" }).click();
  await button(page, "Start").click();
  await page.waitForTimeout(1500);
  await button(page, "Next").click();
  await expect.poll(async () => (await spoken()).length, { timeout: 20_000 }).toBeGreaterThan(1);
  for (const { long, loud } of await spoken()) {
    expect(loud).toBeGreaterThan(0.1);
    expect(long).toBeLessThan(1.6);
  }
  await button(page, "Pause").click();
  const before = (await spoken()).length;
  await button(page, "Say it again").click();
  expect((await spoken()).length).toBeGreaterThan(before);
  await expectAccessible(page);
  expect(faults).toEqual([]);
});

test(
  "pads with sensors answer the calls: reactions stand beside what the check reckons with",
  { tag: "@day2" },
  async ({ page }) => {
    const faults = faultsOf(page);
    const device = spawn(process.execPath, ["scripts/pads.mjs", "--port", "4397", "--wrong", "0", "--miss", "0"]);
    try {
      await new Promise((ready) => device.stdout.once("data", ready));
      await page.goto(`${DRILL(COVER_AND_RETURN)}/clock`);
      await page.getByRole("combobox", { name: "Calls" }).click();
      await page.getByRole("option", { name: "by voice" }).click();
      const pads = page.getByRole("region", { name: "Pads with sensors" });
      await pads.getByRole("textbox", { name: "Address of the pads" }).fill("ws://127.0.0.1:4398");
      await pads.getByRole("button", { name: "Connect" }).click();
      await expect(pads.getByText(/The pads do not answer/)).toBeVisible();
      await pads.getByRole("textbox", { name: "Address of the pads" }).fill("ws://127.0.0.1:4397");
      await pads.getByRole("button", { name: "Connect" }).click();
      await expect(pads.getByText("Made-up pads listen.")).toBeVisible();
      await button(page, "Start").click();
      await button(page, "Next").click();
      await expect(pads.getByText(/[2-9] called: [2-9] right, 0 on the wrong pad/)).toBeVisible({ timeout: 40_000 });
      await expect(pads.getByText(/until the answer must begin, and the check reckons with/)).toBeVisible();
      await expect(pads.getByRole("region", { name: "Reaction times as a table" })).toContainText(/0\.[34]\d s/);
      await expectAccessible(page);
    } finally {
      device.kill();
    }
    await expect(page.getByText(/The pads do not answer/)).toBeVisible();
    expect(faults.filter((fault) => !/WebSocket connection/.test(fault))).toEqual([]);
  },
);

test("the database crashes in the middle of a round: the clock goes on and no tap is lost", async ({
  page,
  browser,
}) => {
  test.skip(!process.env.PG_DATA, "only with a database of its own");
  test.setTimeout(150_000);
  const path = await plannedClass(page, "Through a crash", "2027-03-31");
  await page.getByRole("link", { name: "Start class" }).click();
  const other = await (await browser.newContext()).newPage();
  await other.goto(`${path}/floor`);
  await startNow(page);
  await expect(button(other, "Pause")).toBeVisible({ timeout: 2000 });
  const before = await left(page);
  database("crash");
  try {
    await button(page, "A minute more").click();
    await button(other, "A minute more").click();
    await page.waitForTimeout(2500);
    expect((await left(page)) - before).toBeGreaterThan(50);
  } finally {
    database("start");
  }
  // Two minutes more, on both, as soon as the database is back: each tap once.
  for (const one of [page, other])
    await expect.poll(async () => (await left(one)) - before, { timeout: 30_000 }).toBeGreaterThan(80);
  expect(Math.abs((await left(page)) - (await left(other)))).toBeLessThanOrEqual(1);
  await page.reload();
  expect((await left(page)) - before).toBeLessThanOrEqual(120);
  expect((await left(page)) - before).toBeGreaterThan(60);
});
