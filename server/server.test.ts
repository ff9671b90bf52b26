import { createSchema, fieldsOf, pairsSchema, saveSchema } from "./forms.ts";
import { bodiesOf, pairViews } from "./pair-views.ts";
import { reading, writing } from "./respond.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { revisionInput } from "./revision-input.ts";
import { scopeOf } from "./scope.ts";
import type { PairRow } from "#db/classes.ts";
import type { Student } from "#db/people.ts";

const ID = "5b3c7c1e-0d52-4a4e-9b10-7d6a51f0a001";
const student = (id: string, more: Partial<Student> = {}): Student => ({
  id,
  name: `P ${id}`,
  height_cm: 175,
  reach_cm: null,
  mass_kg: 70,
  lead: "left",
  hand: "right",
  minor: false,
  limits: [],
  levels: {},
  limits_until: null,
  agreed: "",
  version: 1,
  archived: false,
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
    const { input } = revisionInput(
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
    [`title: ${"x".repeat(400)}`, "x".repeat(120)],
  ])("%j has a title", (text, title) => {
    expect(revisionInput(ID, text, defaultSchool()).input.title).toBe(title);
  });
});

describe("pairs as shown", () => {
  const TEXT = "A jab -> B step back, step in + cross";
  test("are checked with their own bodies", () => {
    const students = [student("a", { height_cm: 193 }), student("b", { height_cm: 150 })];
    const [view] = pairViews([pair("A jab -> B slip out, cross")], students, defaultSchool());
    expect(view!.verdict).toBe("broken");
    expect(view!.notes.join()).toMatch(/cross falls \d+ cm short/);
    expect(
      pairViews([pair("A jab -> B slip out, cross")], [student("a"), student("b")], defaultSchool())[0]!.verdict,
    ).toBe("sound");
  });
  test("a height that was never taken is said", () => {
    const [view] = pairViews([pair(TEXT)], [student("a", { height_cm: null }), student("b")], defaultSchool());
    expect(view!.notes[0]).toMatch(/height of P a is not known: checked for 175 cm/);
  });
  test("three people are named, and nobody who left the school breaks the page", () => {
    const students = [student("a"), student("b"), student("c")];
    expect(
      pairViews([pair(TEXT, { student_c: "c" })], students, defaultSchool())[0]!.names.map((n) => n.actor),
    ).toEqual(["A", "B", "C"]);
    expect(pairViews([pair(TEXT, { student_b: "gone" })], students, defaultSchool())).toEqual([]);
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
    [saveSchema, { intent: "save", revisionId: ID, version: 1, text: "x".repeat(400_001) }],
    [createSchema, { id: ID, revisionId: ID }],
    [pairsSchema, { blockId: ID, drillId: ID, pairs: [{ id: "x" }] }],
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

describe("a database that is away", () => {
  const away = () => Promise.reject(Object.assign(new Error("connect ECONNREFUSED"), { code: "ECONNREFUSED" }));
  test("is a page for readers and a message for writers", async () => {
    await expect(reading(away)).rejects.toMatchObject({ status: 503 });
    await expect(writing(away)).resolves.toMatchObject({
      kind: "failed",
      message: expect.stringMatching(/Nothing is lost/),
    });
  });
  test("other faults stay faults", async () => {
    await expect(reading(() => Promise.reject(new Error("bug")))).rejects.toThrow("bug");
    await expect(writing(() => Promise.reject(new Error("bug")))).rejects.toThrow("bug");
  });
});

test("one function says who asks", () => {
  expect(scopeOf(null)).toMatchObject({ role: "instructor" });
});
