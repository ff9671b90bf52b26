/** Every key of the settings in shapes that its page could not show: refused in words, never kept. */
import { readSchool } from "./school.ts";
import { SCHOOL_KEYS } from "./settings.ts";

const SHAPES: readonly unknown[] = [{}, [], 1, "x", [{}], null, [null], true];
const LISTS = ["moves", "numbering", "rulings", "deletedMoves"];

test.each(SCHOOL_KEYS)("%s is read as a list or an object, or refused with its name", (key) => {
  for (const shape of SHAPES) {
    const read = readSchool({ [key]: shape });
    const fits = LISTS.includes(key)
      ? Array.isArray(shape)
      : typeof shape === "object" && shape !== null && !Array.isArray(shape);
    if (!fits)
      expect(read).toMatchObject({ ok: false, errors: [expect.stringContaining(`${key}: must be`) as string] });
    // What is kept is what was read: a list stays one, and nothing else comes along.
    else if (read.ok) expect(Array.isArray(read.stored[key])).toBe(LISTS.includes(key));
    else expect(read.errors.join()).toContain(key === "moves" ? "move" : key);
  }
});

test("a ruling is kept as its four words, whatever else was sent with it", () => {
  const ruling = { feed: "jab", answer: "parry", verdict: "valid", reason: "We do it so." };
  const read = readSchool({ rulings: [{ ...ruling, toString: "x", more: { deep: [] } }] });
  expect(read).toMatchObject({ ok: true, stored: { rulings: [ruling] } });
  if (read.ok) expect(Object.keys(read.stored.rulings![0]!)).toHaveLength(4);
});
