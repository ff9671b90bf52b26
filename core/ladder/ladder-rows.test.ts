/** How the rows of a drill come in. */
import { checkFor } from "../policy/judge.ts";
import { readFileSync } from "node:fs";
import { defaultSchool, readSchool } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { linesOf } from "../score/structure.ts";
import { firstRungs, moreRows, rowsIn, SLOW_START } from "./ladder-rows.ts";

const school = defaultSchool();
const drill = (text: string) => checkFor(parse(text), school);
const demo = (name: string) => drill(readFileSync(`demo/drills/${name}.vics`, "utf8"));
const THREE = "tempo: 70%\n\nA jab -> B slip out, cross\nA cross -> B parry\nA lead hook -> B weave";
const lines = (text: string) => [...linesOf(parse(text).items)].length;

describe("the first rungs", () => {
  test("the first row, and its exchange alone, slowly", () => {
    const rungs = firstRungs(drill(THREE), school);
    expect(rungs.map((r) => r.rows)).toEqual([1, 0.5]);
    for (const r of rungs) {
      expect(r.tempo).toBe(SLOW_START);
      expect(r.changed).toMatch(/\. Slow$/);
      expect(lines(r.text)).toBe(1);
    }
    expect(rungs.map((r) => r.changed)).toEqual(["Jab, slip out, cross. Slow", "Jab, slip out. No return yet. Slow"]);
  });
  test("a drill that is slow already is not slowed down; a school may begin at full speed", () => {
    expect(firstRungs(drill(THREE.replace("70%", "30%")), school)[0]!.tempo).toBe(0.3);
    const read = readSchool({ customs: { power: "full" } });
    if (!read.ok) throw new Error(read.errors.join());
    expect(firstRungs(drill(THREE), read.school)[0]!.tempo).toBe(0.7);
  });
  test("one exchange with nothing behind it is a first rung by itself", () => {
    expect(firstRungs(drill("A jab -> B parry"), school)).toHaveLength(1);
  });
});

describe("more rows", () => {
  const base = drill(THREE);
  const [first, alone] = firstRungs(base, school);
  test("behind the exchange alone comes its whole row, and nothing else with it", () => {
    const next = moreRows(alone!.checked(), alone!.rows, base, school);
    expect(next.map((s) => [s.rows, s.changed])).toEqual([[1, "Now hit back after the jab"]]);
  });
  test("behind the first row one or two more, named by what is fed", () => {
    const next = moreRows(first!.checked(), 1, base, school);
    expect(next.map((s) => [s.rows, s.changed])).toEqual([
      [2, "Add the cross"],
      [3, "Add the cross and the lead hook"],
    ]);
    for (const s of next) expect(lines(s.text)).toBe(s.rows);
  });
  test("rows that were changed on the way stay as they are", () => {
    const changed = drill("tempo: 40%\n\nA jab -> B slip out + step off, cross");
    const [next] = moreRows(changed, 1, base, school);
    expect(next!.text).toMatch(/slip out \+ step off, cross\nA cross -> B parry/);
    expect(next!.text).toMatch(/tempo: 40%/);
  });
  test("when all are there, there are no more", () => {
    expect(rowsIn(base)).toBe(3);
    expect(moreRows(base, 3, base, school)).toEqual([]);
  });
  test("a long drill lets more rows in at once", () => {
    const twenty = drill(Array.from({ length: 20 }, (_, i) => `A jab @${i + 1} -> B parry`).join("\n"));
    const many = drill(Array.from({ length: 20 }, () => "A jab -> B parry").join("\n"));
    const found = moreRows(drill("A jab -> B parry"), 1, many, school);
    expect(found.map((s) => s.rows)).toEqual([2, 3, 4, 5, 6]);
    expect(rowsIn(twenty)).toBeGreaterThan(0);
  });
});

describe("a row in two steps", () => {
  const base = drill(
    "A jab -> B catch\nA jab, cross -> B parry, slip out, lead hook -> A cover\nA cross -> B slip out, cross",
  );
  const after = (text: string, rows: number) => moreRows(drill(text), rows, base, school);
  test("it may come in without what is sent back, as half a row", () => {
    const half = after("A jab -> B parry", 1).find((s) => s.rows === 1.5)!;
    expect(half.text).toMatch(/^A jab, cross -> B parry, slip out$/m);
    expect(half.changed).toBe("Add the jab, cross. No return yet");
    expect(half.load.total).toBeLessThan(after("A jab -> B parry", 1).find((s) => s.rows === 2)!.load.total);
  });
  test("what is missing of it comes next, piece by piece or all at once", () => {
    const next = after("A jab -> B parry\nA jab, cross -> B parry, slip out", 1.5);
    expect(next.map((s) => [s.rows, s.changed])).toEqual([
      [1.75, "After the jab, cross hit back: lead hook"],
      [2, "Now hit back after the jab, cross"],
    ]);
    expect(next[1]!.text).toMatch(/^A jab -> B parry\nA jab, cross -> B parry, slip out, lead hook -> A cover$/m);
  });
  test("a combination may come in by its first feed", () => {
    const first = after("A jab -> B parry", 1).find((s) => s.rows === 1.25)!;
    expect(first.text).toMatch(/^A jab -> B parry\nA jab -> B parry$/m);
    expect(first.changed).toBe("Add the jab. Only the beginning of it");
    const on = after("A jab -> B parry\nA jab -> B parry", 1.25);
    expect(on.map((s) => s.changed)[0]).toBe("Behind the jab the cross");
  });
  test("a row of which nothing is sent back comes in whole", () => {
    const plain = drill("A jab -> B parry\nA cross -> B slip out");
    expect(moreRows(drill("A jab -> B parry"), 1, plain, school).map((s) => s.rows)).toEqual([2]);
  });
  test("answers to choose from come one after the other", () => {
    const two = drill("A jab -> B parry\nA cross -> B slip out, cross | parry, cross");
    const next = moreRows(drill("A jab -> B parry"), 1, two, school);
    expect(next.map((s) => s.changed)).toEqual(["Add the cross. One answer only", "Add the cross"]);
    const [all] = moreRows(drill("A jab -> B parry\nA cross -> B slip out, cross"), 1.5, two, school);
    expect(all!.changed).toBe("All answers to the cross, your choice");
  });
  test("a range grows by its numbers", () => {
    const head = "A: holds stick 71 cm\nB: holds stick 71 cm\n\n";
    const three = drill(`${head}A strike {1..3} -> B block {#}`);
    const next = moreRows(drill(`${head}A strike 1 -> B block 1`), 1 / 3, three, school);
    expect(next.map((s) => s.changed)).toEqual(["More numbers: strike 1 to 2", "All numbers: strike 1 to 3"]);
  });
  test("rows that begin alike are told apart by what meets them", () => {
    const alike = drill("A jab -> B parry\nA cross -> B parry\nA cross -> B slip out");
    const next = moreRows(drill("A jab -> B parry"), 1, alike, school);
    expect(next.map((s) => s.changed)).toEqual([
      "Add the cross with parry",
      "Add the cross with parry and the cross with slip out",
    ]);
  });
});

describe("the block of a drill", () => {
  test("a cycle closes round its counts once all are there", () => {
    const weave = demo("four-count-weave");
    expect(rowsIn(weave)).toBe(5);
    const flat = drill(
      `kind: flow\nA: holds stick 71 cm\nB: holds stick 71 cm\n\n${[...linesOf(weave.score.items)]
        .map(({ row }) => (row.content.body.kind === "play" ? "A R forehand high <> B R forehand high" : ""))
        .join("\n")}`,
    );
    const [loop] = moreRows(flat, 4, weave, school);
    expect(loop!.text).toMatch(/^loop x8:\n {2}A R forehand high/m);
    expect(loop!.changed).toBe("Keep it going, round and round");
    expect(moreRows(loop!.checked(), 5, weave, school)).toEqual([]);
  });
  test("a choice says who chooses, and keeps its labels", () => {
    const pads = demo("pads-by-name");
    const all = [...linesOf(pads.score.items)];
    const flat = drill(
      all
        .map(({ row }) => row.content.body)
        .map((b) => (b.kind === "play" ? "A jab -> B parry" : ""))
        .join("\n"),
    );
    const choices = moreRows(flat, all.length, pads, school);
    expect(choices.map((c) => c.changed)).toEqual([
      "Feeder picks: jab or cross",
      "Feeder picks: jab, cross or lead hook",
      "Feeder picks: jab, cross, lead hook or rear uppercut",
    ]);
    const [two, , four] = choices;
    expect(four!.text).toContain(`  ${all[0]!.label}: A jab`);
    expect(four!.rows).toBe(rowsIn(pads));
    // The rows that nobody chooses yet stand behind the block as they were.
    expect(two!.text).toMatch(/^choose A:\n {2}one: .*\n {2}two: .*\nend\nA jab -> B parry\nA jab -> B parry$/m);
    const more = moreRows(two!.checked(), two!.rows, pads, school);
    expect(more.map((c) => [c.changed, c.rows])).toEqual([
      ["Feeder picks: jab, cross or lead hook", choices[1]!.rows],
      ["Feeder picks: jab, cross, lead hook or rear uppercut", rowsIn(pads)],
    ]);
  });
});

test("what is answered last is said as what is new", () => {
  const text = "A jab -> B slip out, cross -> A cover";
  const whole = drill(text);
  const before = firstRungs(whole, school).find(({ text: rung }) => rung.trimEnd().endsWith("B slip out, cross"))!;
  const [next] = moreRows(drill(before.text), before.rows, whole, school);
  expect(next!.changed).toBe("Now A answers it: cover");
});
