/** The short answer of a search against the whole check, on the same texts. */
import { assess, wrongLines } from "./assess.ts";
import { checkFor } from "./judge.ts";
import { readdirSync, readFileSync } from "node:fs";
import { prepare, titledHeader } from "../drill/prepare.ts";
import { parse } from "../score/parse.ts";
import { linesOf } from "../score/structure.ts";
import { RowMemory } from "../score/row-memory.ts";
import { defaultSchool, readSchool, type School } from "./school.ts";

const shipped = defaultSchool();
const school = (data: unknown): School => {
  const read = readSchool(data);
  if (!read.ok) throw new Error(read.errors.join("; "));
  return read.school;
};
const SCHOOLS = {
  shipped,
  "lateness is an error": school({ severity: { late: "error", tight: "off" } }),
  "lateness is nothing": school({ severity: { late: "off", "follow-up": "risk" } }),
  "with a ruling": school({
    rulings: [{ feed: "cross", answer: "cover", verdict: "valid", reason: "gloves are on" }],
  }),
  "with its own weights": school({ load: { choice: 5, length: 0.1 } }),
};
const TEXTS: Record<string, string> = {
  "the same line twice": "A jab -> B slip out\nA jab -> B slip out",
  "fast and tight": "tempo: 140%\n\nA jab -> B slip out, cross\nA cross -> B cover",
  "broken rows": "A jab -> B duck under the moon\nA jab ->\nA jab -> B slip out",
  "a header that cannot be read": "tempo: fast\nrange: far away\nnumbering: nine angles\n\nA jab -> B parry",
  "no play": "title: Empty",
  "a choice of two that look alike":
    "choose A:\n  one: A jab -> B slip out\n  two: A jab to body -> B elbow drop\n  three: A cross -> B weave\nend",
  "a choice inside a cycle":
    "kind: flow\nA: holds stick 71 cm\nB: holds stick 71 cm\n\nloop x4:\n  choose A:\n    one: A R forehand high <> B R forehand high\n    two: A R backhand low <> B R backhand low\n  end\nend",
  "a cycle that does not close": "loop x3:\n  A jab -> B step off\n  A cross -> B switch stance + slip\nend",
  "a carry": "carry:\n  A jab -> B step back\n  A cross -> B step back\nend",
  "answers to choose from": "A jab -> B slip out | parry | cover, cross",
  "a range of numbers": "A: holds stick 71 cm\nB: holds stick 71 cm\n\nA strike 1..5 -> B roof",
  "a third": "formation: triangle\n\nA jab -> B parry\nB cross at C -> C slip out",
  "a weight gap and a live blade":
    "A: holds knife, mass 110\nB: mass 50, minor\ncontact: medium\n\nA stab mid -> B step back",
};
for (const file of readdirSync("demo/drills"))
  TEXTS[file] = readFileSync(`demo/drills/${file}`, "utf8").replace(/^---[\s\S]*?---\n/, "");

describe.each(Object.entries(SCHOOLS))("in a school: %s", (_, of) => {
  test.each(Object.entries(TEXTS))("verdict, load and tempo are those of the whole check: %s", (_name, text) => {
    const whole = checkFor(parse(text), of);
    const said = { verdict: whole.verdict, load: whole.load, tempo: whole.header.tempo, distance: whole.distance };
    // Cold, known from before, and read through a memory of rows.
    const memory = new RowMemory();
    for (const score of [parse(text), memory.read(text), memory.read(text)]) {
      const short = assess(score, of);
      expect(short).toMatchObject(said);
      // A line that is said to be wrong holds an error that the whole check shows in its row.
      const lines = [...linesOf(score.items)];
      expect(short.shares).toHaveLength(lines.length);
      const errors = new Set(whole.findings.filter((f) => f.severity === "error").map((f) => f.line - 1));
      for (const place of wrongLines(short, of)) expect(errors).toContain(lines[place]!.row.index);
    }
    // After the search the whole check is still the same, from lines of which it knew only the share.
    const after = checkFor(memory.read(text), of);
    expect(after.findings).toEqual(whole.findings);
    expect(after.exchanges.map((e) => [e.row.index, e.label, e.section, e.verdict, e.ceiling])).toEqual(
      whole.exchanges.map((e) => [e.row.index, e.label, e.section, e.verdict, e.ceiling]),
    );
  });
});

test("the wrong lines are told by their places, lateness too where it is an error", () => {
  const text = "tempo: 150%\n\nA jab -> B slip out\nA push kick -> B slip out\nA jab -> B parry";
  const late = SCHOOLS["lateness is an error"];
  const geometry = wrongLines(assess(parse(text.replace("150%", "40%")), late), late);
  expect([...geometry]).toEqual([1]);
  expect([...wrongLines(assess(parse(text), shipped), shipped)]).toEqual([1]);
  expect([...wrongLines(assess(parse(text), late), late)]).toEqual([0, 1]);
});
test("lateness at the drill's own tempo decides, though a line is known from a slower one", () => {
  const memory = new RowMemory();
  const at = (tempo: number) => assess(memory.read(`tempo: ${tempo}%\n\nA jab -> B slip out`), shipped).verdict;
  expect([at(50), at(150), at(50)]).toEqual(["sound", "risky", "sound"]);
});

describe("header and frame", () => {
  const prepared = (text: string, bodies = {}, of = shipped) => {
    const score = parse(text);
    const found = prepare(score, of, bodies);
    return { ...found, key: found.frameFor(score.items).key };
  };
  test("scores that differ in their titles share a header and a key", () => {
    const one = prepared("title: One\ntempo: 60%\n\nA jab -> B parry");
    const two = prepared("title: Two\ntempo: 60%\n\nA jab -> B slip out");
    expect(two.header).toBe(one.header);
    expect([two.key, two.distance]).toEqual([one.key, one.distance]);
    const title = (text: string) => titledHeader(prepared(text), parse(text)).title;
    expect(["title: One\n\nA jab", "title: Two\n\nA jab", "title:\n\nA jab"].map(title)).toEqual(["One", "Two", null]);
  });
  test("the tempo changes the header and not the key", () => {
    const slow = prepared("tempo: 30%\n\nA jab -> B parry");
    const fast = prepared("tempo: 90%\n\nA jab -> B parry");
    expect([slow.header.tempo, fast.header.tempo]).toEqual([0.3, 0.9]);
    expect(fast.key).toBe(slow.key);
  });
  test.each([
    ["another first feed", "A push kick -> B parry"],
    ["a written range", "range: kick\n\nA jab -> B parry"],
    ["a taller feeder", "A: height 195\n\nA jab -> B parry"],
    ["a rule", "rules B: no steps\n\nA jab -> B parry"],
    ["a third person", "A jab -> B parry\nC cross at A -> A parry"],
    ["another kind", "kind: flow\n\nA jab -> B parry"],
  ])("%s is another key", (_, text) => {
    expect(prepared(text).key).not.toBe(prepared("A jab -> B parry").key);
  });
  test("grades, rulings and weights change nothing of the geometry: one key for all such schools", () => {
    const text = "A jab -> B parry";
    for (const of of Object.values(SCHOOLS)) expect(prepared(text, {}, of).key).toBe(prepared(text).key);
  });
  test("and yet each school has verdicts of its own of the same line", () => {
    const score = parse("A cross -> B cover");
    expect(
      ["shipped", "with a ruling", "shipped"].map((of) => assess(score, SCHOOLS[of as keyof typeof SCHOOLS]).verdict),
    ).toEqual(["broken", "sound", "broken"]);
  });
  test("bodies at hand come before the header, and are not remembered for the next", () => {
    const text = "A: height 170\n\nA jab -> B parry";
    const own = prepared(text);
    const tall = prepared(text, { A: { height: 1.95 } });
    expect([own.header.people.A.height, tall.header.people.A.height]).toEqual([1.7, 1.95]);
    expect(tall.distance).toBeGreaterThan(own.distance);
    expect(prepared(text).distance).toBe(own.distance);
  });
  test("a fault of the header is told each time, with the row of the score at hand", () => {
    const two = ["tempo: fast\n\nA jab -> B parry", "title: Late\ntempo: fast\n\nA jab -> B parry"].map((t) =>
      prepared(t),
    );
    expect(two.map((p) => p.faults.map((f) => [f.code, f.row.index]))).toEqual([[["tempo", 0]], [["tempo", 1]]]);
  });
});
