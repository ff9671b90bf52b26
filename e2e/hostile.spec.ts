/** Hostile text in every field that somebody can type into, and in every place where it is shown: it stays text. */
import { randomUUID } from "node:crypto";
import { expect, test } from "@playwright/test";
import ICAL from "ical.js";
import Papa from "papaparse";
import { insertAccount, setMembership } from "#db/accounts.ts";
import { setPresent } from "#db/attendance.ts";
import { createClass } from "#db/classes.ts";
import { createDrill, setTag } from "#db/drills.ts";
import { addIncident, listIncidents, noteIncident } from "#db/incidents.ts";
import { insertStudents, setGear } from "#db/people.ts";
import { closePool, db } from "#db/pool.ts";
import { insertEmptySchool, saveSettings } from "#db/school.ts";
import type { Scope } from "#db/scope.ts";
import { NOBODY } from "#core/people/testing.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { revisionInput } from "#server/revision-input.ts";
import { sessionOf } from "./sessions.ts";

const IMAGE = `<img src=x onerror="window.hit=1">`;
const SCRIPT = `"'></title></style><script>window.hit=1</script>`;
const FORMULA = `=HYPERLINK("http://x.example")`;
const LINES = "one\r\nATTENDEE:x\r\n<svg onload=window.hit=1>";
const BACK = "\u202etfel{{7*7}}${7*7}";

const scope: Scope = { schoolId: randomUUID(), accountId: randomUUID(), role: "owner" };
const [lesson, drill, revision] = [randomUUID(), randomUUID(), randomUUID()];
const people = [IMAGE, SCRIPT, FORMULA, BACK, "+1", "@SUM(1)"].map((name, i) => ({
  ...NOBODY,
  id: randomUUID(),
  name,
  height_cm: 160 + 5 * i,
  mass_kg: 60 + 5 * i,
  limits: [`${IMAGE} ${i}`],
  agreed: SCRIPT,
}));
const text = `title: ${IMAGE}\nfocus: ${SCRIPT}\n# ${SCRIPT}\nsection ${IMAGE}\nA jab "${IMAGE}" -> B parry\nA cross -> B slip out -> A jab -> B parry\n`;

test.beforeAll(async () => {
  await insertEmptySchool(db, scope.schoolId, IMAGE);
  await insertAccount(db, { id: scope.accountId, name: SCRIPT, email: `${scope.accountId}@"><b>.example` }, "none");
  await setMembership(db, { schoolId: scope.schoolId, accountId: scope.accountId, role: "owner", studentId: null });
  await insertStudents(scope, people);
  await setGear(db, scope, { kind: "stick", count: 2, was: null });
  await createDrill(scope, { id: drill, input: revisionInput(revision, text, defaultSchool()), lineage: null });
  await setTag(db, scope, [drill], { tag: IMAGE, put: "on" });
  const today = new Date().toISOString().slice(0, 10);
  await createClass(db, scope, { id: lesson, held_on: today, title: LINES, minutes: 60, theme: SCRIPT });
  for (const { id } of people) await setPresent(db, scope, lesson, { studentId: id, here: true });
  await addIncident(db, scope, lesson, {
    id: randomUUID(),
    student_id: people[0]!.id,
    at: Date.now(),
    place: "other",
    round: 0,
  });
  const [incident] = await listIncidents(db, scope);
  await noteIncident(db, scope, { ...incident!, what: IMAGE, done: SCRIPT, told: FORMULA, parents: false });
  await saveSettings(db, scope, 1, {
    moves: [{ id: "own-wave", name: IMAGE, group: "hand defence", roles: ["answer"], hint: SCRIPT, aka: [BACK] }],
    numbering: [{ id: "own", name: IMAGE, angles: [] }],
  });
});
test.afterAll(() => closePool());

const PAGES = [
  "/",
  `/drills/${drill}`,
  `/drills/${drill}/revisions`,
  `/drills/${drill}/ladder`,
  `/drills/${drill}/calls`,
  `/drills/${drill}/clock`,
  `/drills/${drill}/card`,
  `/class/${lesson}`,
  `/class/${lesson}/plan?drill=${drill}`,
  `/class/${lesson}/sheet`,
  `/class/${lesson}/cards`,
  `/class/${lesson}/wall`,
  `/class/${lesson}/floor`,
  `/class/${lesson}/phones`,
  "/term",
  "/log",
  "/log/weeks",
  "/log/due",
  "/people",
  `/people/${people[0]!.id}`,
  `/people/${people[1]!.id}/page`,
  "/answers",
  "/words",
  "/words/school",
  "/words/taught",
  "/words/numbering",
  "/account",
  "/members",
  "/members/changes",
];

test("no page runs it or draws it as anything but text", async ({ browser, baseURL }) => {
  test.setTimeout(240_000);
  const [name, value] = sessionOf("owner", scope.schoolId).split("=") as [string, string];
  const context = await browser.newContext({ baseURL: baseURL!, storageState: { cookies: [], origins: [] } });
  await context.addCookies([{ name, value, url: baseURL! }]);
  const page = await context.newPage();
  const refused: string[] = [];
  // Whatever had become an element would be refused by the policy of the page, and said so here.
  page.on(
    "console",
    (message) => /Content Security Policy|violates/.test(message.text()) && refused.push(message.text()),
  );
  for (const path of PAGES) {
    await page.goto(path);
    await page.waitForLoadState("networkidle");
    const found = await page.evaluate(() => ({
      hit: "hit" in window,
      elements: document.querySelectorAll("img[src='x'], svg[onload], b, [onerror], [onload]").length,
      scripts: [...document.scripts].filter((one) => one.textContent.startsWith("window.hit")).length,
    }));
    expect([path, found]).toEqual([path, { hit: false, elements: 0, scripts: 0 }]);
  }
  await page.goto("/people");
  await expect(page.getByText(IMAGE).first()).toBeVisible();
  await expect(page.getByText("49", { exact: true })).toHaveCount(0);
  expect(refused).toEqual([]);
  await context.close();
});

test("files: no formula in tables, no line of its own in the calendar", async ({ playwright, baseURL }) => {
  const asker = await playwright.request.newContext({
    baseURL: baseURL!,
    storageState: { cookies: [], origins: [] },
    extraHTTPHeaders: { Cookie: sessionOf("owner", scope.schoolId) },
  });
  for (const path of ["/people.csv", "/log/file?as=csv"]) {
    const { data } = Papa.parse<string[]>(await (await asker.get(path)).text());
    expect([path, data.flat().filter((cell) => /^[=+@\t\r]/.test(cell))]).toEqual([path, []]);
  }
  const calendar = await (await asker.get("/term.ics")).text();
  const events = new ICAL.Component(ICAL.parse(calendar) as unknown as string).getAllSubcomponents("vevent");
  expect(events).toHaveLength(1);
  expect(events[0]!.getFirstProperty("attendee")).toBeNull();
  expect((await asker.get("/school.zip")).status()).toBe(200);
  await asker.dispose();
});
