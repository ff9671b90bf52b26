import { tonightLimits } from "#core/people/tonight.ts";
import { jest } from "@jest/globals";
import { MAX_TEXT } from "#core/score/limits.ts";
import {
  BadInput,
  createSchema,
  fieldsOf,
  idIn,
  jsonIn,
  pairsSchema,
  presenceFromForm,
  tonightFrom,
  saveSchema,
  unkeepable,
} from "./web/forms.ts";
import { bodiesOf, pairViews } from "./classes/pair-views.ts";
import { notFound, reading, writingOpen } from "./web/respond.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { revisionInput } from "./drills/revision-input.ts";
import type { PairRow } from "#db/classes.ts";
import type { PersonView } from "./views.ts";
import { member } from "#db/testing.ts";

const ID = "5b3c7c1e-0d52-4a4e-9b10-7d6a51f0a001";
const student = (id: string, more: Partial<PersonView> = {}): PersonView => ({
  age: "adult",
  ...member(`P ${id}`, { id, height_cm: 175 }),
  ...{ version: 1, archived: false },
  ...more,
});
const pair = (text: string, more: Partial<PairRow> = {}): PairRow => ({
  id: "p",
  position: 1,
  student_a: "a",
  student_b: "b",
  student_c: null,
  revision_id: "r",
  why: "w",
  drill_id: "d",
  drill_title: "T",
  text,
  ...more,
});

describe("what is stored of a text", () => {
  test("comes from the checker", () => {
    const input = revisionInput(
      ID,
      "title: Quay\nkind: feeder\nlevel: beginners\nA: wears mitts\n\nA jab -> B slip out\nA lead hook -> B slip out\n",
      defaultSchool(),
    );
    expect(input).toMatchObject({
      title: "Quay",
      kind: "feeder",
      verdict: "broken",
      summary: { level: "beginners", tools: ["mitts"], exchanges: 2, findings: 1 },
    });
    expect(input.rows).toEqual([
      { index: 5, text: "A jab -> B slip out" },
      { index: 6, text: "A lead hook -> B slip out" },
    ]);
  });
  test.each([
    ["A jab -> B slip", "Drill without a title"],
    ["", "Empty drill"],
    ["loop x2:\n  A jab -> B slip\nend", "Drill without a title"],
    ["game Three clean:\n  A may: jab\nend", "Three clean"],
    [`title: ${"x".repeat(400)}`, "x".repeat(120)],
  ])("%j has a title", (text, title) => {
    expect(revisionInput(ID, text, defaultSchool()).title).toBe(title);
  });
});

const PLAIN = { key: "plain", settings: {} };

describe("pairs as shown", () => {
  const TEXT = "A jab -> B step back, step in + cross";
  test("are checked with their own bodies", async () => {
    const students = [student("a", { height_cm: 193 }), student("b", { height_cm: 150 })];
    const [view] = await pairViews([pair("A jab -> B slip out, cross")], students, PLAIN);
    expect(view!.verdict).toBe("broken");
    expect(view!.notes.join()).toMatch(/The cross falls short\. Step in with it/);
    expect(
      (await pairViews([pair("A jab -> B slip out, cross")], [student("a"), student("b")], PLAIN))[0]!.verdict,
    ).toBe("sound");
  });
  test("a height that was never taken is said", async () => {
    const [view] = await pairViews([pair(TEXT)], [student("a", { height_cm: null }), student("b")], PLAIN);
    expect(view!.notes[0]).toMatch(/height of P a is not known: checked for 175 cm/);
  });
  test("three people are named, and nobody who left the school breaks the page", async () => {
    const students = [student("a"), student("b"), student("c")];
    expect((await pairViews([pair(TEXT, { student_c: "c" })], students, PLAIN))[0]!.names.map((n) => n.actor)).toEqual([
      "A",
      "B",
      "C",
    ]);
    expect(await pairViews([pair(TEXT, { student_b: "gone" })], students, PLAIN)).toEqual([]);
  });
  test("measures go over in metres", () => {
    expect(bodiesOf(student("a", { height_cm: 181, reach_cm: 186, lead: "right" }), student("b"))).toMatchObject({
      A: { height: 1.81, reach: 1.86, lead: "right" },
    });
  });
});

describe("forms", () => {
  test("good ones pass", async () => {
    await expect(
      saveSchema.validate({ intent: "save", revisionId: ID, version: "3", text: "" }),
    ).resolves.toMatchObject({ version: 3 });
    await expect(createSchema.validate({ id: ID, revisionId: ID, text: "x" })).resolves.toBeTruthy();
  });
  test.each([
    [saveSchema, { intent: "save", revisionId: "no", version: 1, text: "" }],
    [saveSchema, { intent: "save", revisionId: ID, version: 0, text: "" }],
    [saveSchema, { intent: "save", revisionId: ID, version: 1, text: "x".repeat(MAX_TEXT + 1) }],
    [createSchema, { id: ID, revisionId: ID }],
    [saveSchema, { intent: "save", revisionId: ID, version: 1, text: "A jab\0" }],
    [pairsSchema, { version: 1, drillId: ID, pairs: [{ a: "x" }] }],
  ])("bad ones are refused (%#)", async (schema, data) => {
    await expect(schema.validate(data)).rejects.toThrow();
  });
  test("fields are the text ones", () => {
    const form = new FormData();
    form.set("a", "1");
    form.set("file", new Blob(["x"]));
    expect(fieldsOf(form)).toEqual({ a: "1" });
  });
});

const form = (fields: Record<string, string>): Request =>
  new Request("http://localhost/x", { method: "POST", body: new URLSearchParams(fields) });

describe("faults in words, with a status that says whose they are", () => {
  const coded = (code: string) => Object.assign(new Error("database says no"), { code });
  const cases: readonly (readonly [string, unknown, number, RegExp])[] = [
    [
      "a database that is away",
      Object.assign(new Error("connect ECONNREFUSED"), { code: "ECONNREFUSED" }),
      503,
      /Nothing is lost/,
    ],
    ["a full disk", coded("53100"), 503, /disk is full/],
    ["a disk that cannot be written", coded("25006"), 503, /read-only/],
    ["a bad date", coded("22008"), 400, /cannot be kept/],
    ["a bad id", coded("22P02"), 400, /cannot be kept/],
    ["something taken away meanwhile", coded("23503"), 409, /Load the page again/],
    ["two at once", coded("40P01"), 409, /Load the page again/],
    ["input that cannot be used", new BadInput("Write a number."), 400, /Write a number/],
  ];
  test.each(cases)("%s", async (_, error, status, words) => {
    const fails = () => Promise.reject(error);
    const told = await writingOpen(form({}), fails);
    expect(told).toMatchObject({ data: { kind: "failed", message: expect.stringMatching(words) }, init: { status } });
    // A page whose address is at fault is not there; what belongs to the server stays the server's.
    await expect(reading(fails)).rejects.toMatchObject({ status: status === 400 ? 404 : status });
  });
  test("other faults stay faults, and pages that are led elsewhere go there", async () => {
    await expect(reading(() => Promise.reject(new Error("bug")))).rejects.toThrow("bug");
    await expect(writingOpen(form({}), () => Promise.reject(new Error("bug")))).rejects.toThrow("bug");
    await expect(writingOpen(form({}), () => Promise.reject(notFound("gone")))).rejects.toMatchObject({ status: 404 });
  });
  test("what cannot be kept is refused with its place, before anything is done", async () => {
    const work = jest.fn(() => Promise.resolve(null));
    expect(await writingOpen(form({ text: "A jab\nA \0cross" }), work)).toMatchObject({
      data: { message: "Row 2, place 3, holds a NUL character, which cannot be kept. Take it out and save again." },
      init: { status: 400 },
    });
    expect(unkeepable("A \ud800 jab")).toMatch(/Row 1, place 3, holds half of a character/);
    expect(unkeepable("A 🥊 jab\tß\u200f")).toBeNull();
    expect(work).not.toHaveBeenCalled();
  });
  test("what somebody leaves out tonight is one of the things that can be tapped", () => {
    expect(tonightFrom("head,knee")).toEqual(["head", "knee"]);
    expect(tonightFrom("")).toEqual([]);
    expect(() => tonightFrom("head,everything")).toThrow();
    expect(tonightLimits(["knee", "head", "unknown"])).toEqual(["no head contact", "spare the knee"]);
  });
  test("JSON and ids that are none", () => {
    expect(() => jsonIn("{", "The plan")).toThrow("The plan did not arrive whole. Load the page again and repeat it.");
    expect(() => idIn("1; drop table")).toThrow(/names nothing that is here/);
    expect(idIn(ID)).toBe(ID);
    expect(() => presenceFromForm({ student: ID, from: "3", until: "2" })).toThrow(/before they came/);
    expect(presenceFromForm({ student: ID, from: "1", until: "" })).toEqual({
      student_id: ID,
      from_round: 1,
      until_round: null,
    });
  });
});
