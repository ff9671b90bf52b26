import fc from "fast-check";
import { parse } from "./parse.ts";
import { RowMemory } from "./row-memory.ts";

const ROWS = [
  "title: Weave",
  "A: lead left",
  "kind: flow",
  "",
  "# only words",
  "section Warm up",
  "loop x4:",
  "  choose A:",
  "one: A jab -> B slip out",
  "two: A cross -> B cover  # hands high",
  "A jab -> B parry, cross | cover",
  "A strike {1..3} -> B block {1..3}",
  "A jab <> B jab",
  "end",
  "B: late",
  "A jab -> ",
  "loop x1000:",
  "???(",
  "title:",
  'A jab "elbow in" -> B catch',
  "wrong: A jab -> B slip in",
  "wrong: one: A jab -> B slip in",
  "form: Harbour form 12-14",
  "loop x3 each side on count:",
  "A jab at any -> any catch",
  '"alone"',
];

test("reads any text as the parser does, the first time and from memory", () => {
  const memory = new RowMemory();
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...ROWS), { maxLength: 14 }), (rows) => {
      const text = rows.join("\n");
      expect(memory.read(text)).toEqual(parse(text));
    }),
    { numRuns: 400 },
  );
});

test("rows of equal text are one and the same content, in whatever score they stand", () => {
  const memory = new RowMemory();
  const one = memory.read("title: one\n\nA jab -> B slip out\nA cross -> B cover\n");
  const two = memory.read("title: two\n\nA cross -> B cover\n");
  expect(two.rows[2]!.content).toBe(one.rows[3]!.content);
  expect(two.rows[0]!.content).not.toBe(one.rows[0]!.content);
});
