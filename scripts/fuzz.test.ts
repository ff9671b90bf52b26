/** Texts that nobody should write: reading, checking and formatting never throw, and take them in their stride. */
import { readdirSync, readFileSync } from "node:fs";
import { seeded } from "#core/random/random.ts";
import { format } from "#core/score/format.ts";
import { parse } from "#core/score/parse.ts";
import { hostileText, mutated } from "./fuzz-texts.ts";
import { check } from "#core/drill/check.ts";

const drills = [...readdirSync("demo/drills").map((file) => `demo/drills/${file}`), "docs/examples/forms.vics"].map(
  (file) => readFileSync(file, "utf8"),
);
const random = seeded(20);
const texts = Array.from({ length: 400 }, (_, i) => (i % 2 === 0 ? hostileText(random) : mutated(drills, random)));

test("400 hostile texts: each is checked, every finding lies in it, and formatting twice is the same as once", () => {
  for (const text of texts) {
    const score = parse(text);
    const { verdict, findings } = check(score);
    expect(["sound", "risky", "broken"]).toContain(verdict);
    for (const { line, column, message } of findings) {
      expect(line).toBeGreaterThanOrEqual(1);
      expect(line).toBeLessThanOrEqual(score.rows.length);
      expect(column).toBeGreaterThanOrEqual(1);
      expect(message).toMatch(/\S/);
    }
    const once = format(score);
    expect(format(parse(once))).toBe(once);
  }
});
