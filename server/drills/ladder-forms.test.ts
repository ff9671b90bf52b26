/** Forms of ladders and classes: what is accepted, what is refused in words. */
import { NOBODY } from "#core/people/testing.ts";
import { randomUUID } from "node:crypto";
import Papa from "papaparse";
import { readPeople } from "#core/people/table.ts";
import { ladderSchema } from "../web/forms.ts";
import { classFromForm } from "../term/term.ts";
import { peopleTable, personFromForm } from "../people/people-forms.ts";

const rung = () => ({
  id: randomUUID(),
  revisionId: randomUUID(),
  text: "A jab -> B parry",
  operator: "start",
  changed: "Start",
});
const ladder = (more: object = {}) => ({
  id: randomUUID(),
  parentRevisionId: randomUUID(),
  title: "Six rungs",
  seed: null,
  rungs: [rung(), rung()],
  ...more,
});
const lesson = (more: Record<string, string> = {}) => ({
  id: randomUUID(),
  title: "Evening",
  theme: "",
  held_on: "2026-11-25",
  starts_at: "19:00",
  minutes: "90",
  ...more,
});

test("a whole ladder is accepted, a single rung or a foreign id is not", async () => {
  await expect(ladderSchema.validate(ladder())).resolves.toMatchObject({ title: "Six rungs" });
  await expect(ladderSchema.validate(ladder({ rungs: [rung()] }))).rejects.toThrow(/at least two rungs/);
  await expect(ladderSchema.validate(ladder({ id: "1; drop table" }))).rejects.toThrow(/not an id/);
  await expect(ladderSchema.validate(ladder({ rungs: Array.from({ length: 17 }, rung) }))).rejects.toThrow();
});
test.each([
  [{ title: " " }, /needs a name/],
  [{ held_on: "25.11.2026" }, /written 2026-11-25/],
  [{ starts_at: "7 pm" }, /written 19:00/],
  [{ minutes: "3" }, /5 to 480 minutes/],
  [{ minutes: "900" }, /5 to 480 minutes/],
] as [Record<string, string>, RegExp][])("a class with %j is refused with how it is written", async (more, words) => {
  await expect(classFromForm(lesson(more))).rejects.toThrow(words);
});
test("a class is read with its minutes as a number and nothing that was not asked for", async () => {
  const read = await classFromForm(lesson({ intent: "add", version: "9" }));
  expect(read.minutes).toBe(90);
  expect(Object.keys(read).sort()).toEqual(["held_on", "id", "minutes", "starts_at", "theme", "title"]);
});
test("a person is read as it is kept, and written as a row with its units in the head", async () => {
  const sent = {
    name: " Ada Quill ",
    height_cm: 171.5,
    reach_cm: null,
    mass_kg: 66,
    lead: "left",
    hand: "right",
    minor: false,
    ages: null,
    levels: { flow: 2 },
    limits: ["no falls"],
    limits_until: null,
    agreed: "",
  };
  const person = await personFromForm(JSON.stringify(sent));
  expect(person.name).toBe("Ada Quill");
  const [head, row] = peopleTable([{ ...person, id: "x" }]).split("\r\n");
  expect(head).toMatch(/^name,height cm,reach cm,mass kg,/);
  expect(row).toBe("Ada Quill,171.5,,66,left,right,,no,,,2,,no falls,,,");
  await expect(personFromForm(JSON.stringify({ ...sent, mass_kg: 900 }))).rejects.toThrow(/15 to 220 kg/);
});

test("a cell that begins like a formula is written as text, and read back as it was", () => {
  const names = ["=HYPERLINK(1)", "@SUM", "+cmd", "-2", "Ada"];
  const people = names.map((name) => ({ ...NOBODY, id: randomUUID(), name }));
  const table = peopleTable(people);
  for (const row of table.trim().split("\r\n").slice(1)) expect(row).toMatch(/^"?(?:'[=@+-]|Ada)/);
  const cells = Papa.parse<Record<string, string>>(table, { header: true, skipEmptyLines: true }).data;
  expect(readPeople(cells, []).map((r) => r.person?.name)).toEqual(names);
});
