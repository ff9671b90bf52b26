/** Hostile text in every field that somebody can type into, and in every place where it is shown: it stays text. */
import { randomUUID } from "node:crypto";
import { readFile } from "node:fs/promises";
import { pathToFileURL } from "node:url";
import { expect, test, type Browser, type Page } from "@playwright/test";
import ICAL from "ical.js";
import Papa from "papaparse";
import { PDFArray, PDFDict, PDFDocument, PDFName, PDFStream } from "pdf-lib";
import { insertAccount, setMembership } from "#db/accounts.ts";
import { setPresent } from "#db/attendance.ts";
import { createClass } from "#db/classes.ts";
import { createDrill, setTag } from "#db/drills.ts";
import { addIncident, listIncidents, noteIncident } from "#db/incidents.ts";
import { insertStudents, setGear } from "#db/people.ts";
import { closePool, db } from "#db/pool.ts";
import { insertEmptySchool, saveSettings } from "#db/school.ts";
import { beganAgo } from "#db/testing.ts";
import type { Scope } from "#db/scope.ts";
import { todays } from "#core/base/samples-testing.ts";
import { NOBODY } from "#core/people/testing.ts";
import { readSchool } from "#core/policy/school.ts";
import { shippedMoves } from "#core/words/shipped.ts";
import { revisionInput } from "#server/drills/revision-input.ts";
import { sessionOf } from "./sessions.ts";

const IMAGE = `<img src=x onerror="window.hit=1">`;
const SCRIPT = `"'></title></style><script>window.hit=1</script>`;
const FORMULA = `=HYPERLINK("http://x.example")`;
const LINES = "one\r\nATTENDEE:x\r\n<svg onload=window.hit=1>";
const BACK = "\u202etfel{{7*7}}${7*7}";
/** Out of a text of a PDF, into what a reader would do when it opens the file. */
const OPENS = ") >> /OpenAction << /S /JavaScript /JS (app.alert(1)) >> (";

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
const TITLE = `${IMAGE} ${OPENS}`;
const jab = shippedMoves.find(({ id }) => id === "jab")!;
/** Settings that hold: an own move with a name that nobody could type, and one by which it is written. */
const settings = {
  moves: [
    {
      ...jab,
      ...{ id: "own-wave", names: { english: [IMAGE, "own wave"], filipino: [BACK] } },
      ...{ coaching: [IMAGE, SCRIPT], faults: [LINES, FORMULA], cautions: [SCRIPT] },
    },
  ],
  numbering: [{ id: "own", name: IMAGE, moves: ["jab", "cross"] }],
  rulings: [{ feed: "jab", answer: "parry", verdict: "risky" as const, reason: `${IMAGE}${SCRIPT}` }],
};
const text = `title: ${TITLE}\nfocus: ${SCRIPT}\n# ${SCRIPT}\nsection ${IMAGE}\nA jab "${IMAGE}" -> B parry\nA own wave -> B parry\nA cross -> B slip out -> A jab -> B parry\n`;

test.beforeAll(async () => {
  const read = readSchool(settings);
  if (!read.ok) throw new Error(read.errors.join("\n"));
  await insertEmptySchool(db, scope.schoolId, IMAGE);
  await insertAccount(db, { id: scope.accountId, name: SCRIPT, email: `${scope.accountId}@"><b>.example` }, "none");
  await setMembership(db, { schoolId: scope.schoolId, accountId: scope.accountId, role: "owner", studentId: null });
  await insertStudents(scope, people);
  await setGear(db, scope, { kind: "stick", count: 2, was: null });
  await createDrill(scope, { id: drill, input: revisionInput(revision, text, read.school), lineage: null });
  await setTag(db, scope, [drill], { tag: IMAGE, put: "on" });
  await createClass(db, scope, { id: lesson, ...beganAgo(0), title: LINES, minutes: 60, theme: SCRIPT });
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
  await saveSettings(db, scope, 1, settings);
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
  "/moves",
  "/settings",
  "/settings/taught",
  "/settings/numbering",
  "/account",
  "/members",
  "/members/changes",
];

/** A page of the owner of the hostile school. */
async function ownersPage(browser: Browser, baseURL: string): Promise<Page> {
  const [name, value] = sessionOf("owner", scope.schoolId).split("=") as [string, string];
  const context = await browser.newContext({ baseURL, storageState: { cookies: [], origins: [] } });
  await context.addCookies([{ name, value, url: baseURL }]);
  return context.newPage();
}

/** Makes the rounds of the class, so that its other pages have something to show. */
async function planTheEvening(page: Page): Promise<void> {
  await page.goto(`/class/${lesson}/plan?drill=${drill}`);
  await expect(page.getByText("Saved.", { exact: false })).toBeVisible({ timeout: 30_000 });
}

test("no page runs it or draws it as anything but text", async ({ browser, baseURL }) => {
  test.setTimeout(240_000);
  const page = await ownersPage(browser, baseURL!);
  const refused: string[] = [];
  // Whatever had become an element would be refused by the policy of the page, and said so here.
  page.on(
    "console",
    (message) => /Content Security Policy|violates/.test(message.text()) && refused.push(message.text()),
  );
  await planTheEvening(page);
  // All of them in the long run.
  for (const path of todays(PAGES, 3)) {
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
  // A reason of the school’s own stands at the desk as it was written.
  await page.goto(`/drills/${drill}`);
  await expect(page.getByText(`The school rules this risky: ${IMAGE}`, { exact: false }).first()).toBeVisible();
  expect(refused).toEqual([]);
  await page.context().close();
});

/** What a reader of PDF would do by itself, or where it would go: names of the PDF reference (ISO 32000-1, 12.6). */
const DEEDS = ["AA", "JS", "JavaScript", "Launch", "URI", "SubmitForm", "GoToR", "EmbeddedFiles"];

/** All names that a file uses as keys, or as the value of one. */
function namesIn(pdf: PDFDocument): Set<string> {
  const found = new Set<string>();
  const look = (value: unknown): void => {
    if (value instanceof PDFName) found.add(value.decodeText());
    if (value instanceof PDFArray) value.asArray().forEach(look);
    if (value instanceof PDFStream) look(value.dict);
    if (value instanceof PDFDict) for (const pair of value.entries()) pair.forEach(look);
  };
  for (const [, value] of pdf.context.enumerateIndirectObjects()) look(value);
  look(pdf.context.trailerInfo.Root);
  return found;
}

test("files for paper: what is typed is drawn in a PDF, and the file does nothing by itself", async ({
  browser,
  baseURL,
}) => {
  test.setTimeout(120_000);
  const page = await ownersPage(browser, baseURL!);
  const papers = [
    `/drills/${drill}/card`,
    `/class/${lesson}/sheet`,
    `/class/${lesson}/cards`,
    `/people/${people[0]!.id}/page`,
  ];
  await planTheEvening(page);
  for (const path of papers) {
    await page.goto(path);
    const [kept] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("button", { name: "Keep as PDF" }).click({ timeout: 30_000 }),
    ]);
    const pdf = await PDFDocument.load(await readFile(await kept.path()), { updateMetadata: false });
    const names = namesIn(pdf);
    expect([path, DEEDS.filter((deed) => names.has(deed))]).toEqual([path, []]);
    // What it opens with is a view of the first page, no deed.
    expect(pdf.catalog.lookup(PDFName.of("OpenAction"))).toBeInstanceOf(PDFArray);
    // The names were looked at in earnest: these stand in every file.
    expect([...names]).toEqual(expect.arrayContaining(["Pages", "Font", "Contents"]));
    if (path.endsWith("/card")) expect(pdf.getTitle()).toContain(OPENS);
    expect(kept.suggestedFilename()).toMatch(/^[\p{L}\p{N} _.-]+\.pdf$/u);
  }
  await page.context().close();
});

test("a drawing that is kept as a file has nothing in it that runs", async ({ browser, baseURL }) => {
  const page = await ownersPage(browser, baseURL!);
  await page.goto(`/drills/${drill}`);
  await page.getByRole("button", { name: "More" }).click();
  const [kept] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("menuitem", { name: "Export the drawing as SVG" }).click(),
  ]);
  const file = `${await kept.path()}.svg`;
  await kept.saveAs(file);
  const alone = await page.context().newPage();
  // Opened as what it is, where no policy of ours holds.
  await alone.goto(pathToFileURL(file).href);
  const found = await alone.evaluate(() => ({
    root: document.documentElement.localName,
    hit: "hit" in window,
    runs: document.querySelectorAll("script, foreignObject, image, a, animate, set, [onload], [onerror]").length,
  }));
  expect(found).toEqual({ root: "svg", hit: false, runs: 0 });
  await expect(alone.getByText(IMAGE).first()).toBeAttached();
  await page.context().close();
});

test("what is said aloud is words alone, whatever a move is called", { tag: "@day0" }, async ({ browser, baseURL }) => {
  const page = await ownersPage(browser, baseURL!);
  await page.addInitScript(() => {
    const said: string[] = [];
    Object.assign(window, { said });
    window.speechSynthesis.speak = ({ text: words }) => void said.push(words);
  });
  await page.goto(`/drills/${drill}/clock`);
  await page.getByRole("combobox", { name: "Calls" }).click();
  await page.getByRole("option", { name: "by voice" }).click();
  await page.getByRole("combobox", { name: "Voice" }).click();
  await page.getByRole("option", { name: "this browser’s" }).click();
  await page.getByRole("button", { name: "Start", exact: true }).click();
  const said = () => page.evaluate(() => (window as unknown as { said: string[] }).said);
  await expect.poll(async () => (await said()).includes("own wave"), { timeout: 60_000 }).toBe(true);
  for (const words of await said()) expect(words).toMatch(/^[\p{L}\p{N} -]+$/u);
  await page.context().close();
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
