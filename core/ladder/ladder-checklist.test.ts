/**
 * Ladders of all demo drills, read by the checklist by which an instructor would read them. The points
 * are common practice, no source.
 */
import { checkFor } from "../policy/judge.ts";
import { readdirSync, readFileSync } from "node:fs";
import type { Checked } from "../drill/types.ts";
import { parse } from "../score/parse.ts";
import { linesOf } from "../score/structure.ts";
import { lineText } from "../score/format.ts";
import { defaultSchool } from "../policy/school.ts";
import { makeLadder, type Rung } from "./ladder.ts";
import { GOALS, LADDER_DEFAULTS, type LadderOptions } from "./ladder-options.ts";
import { OPERATORS, type OperatorId } from "../vary/operator-names.ts";
import { playOf } from "../vary/vary.ts";
import { finished } from "../base/work.ts";

const school = defaultSchool();
const drills = readdirSync("demo/drills").map((file) => {
  const text = readFileSync(`demo/drills/${file}`, "utf8").replace(/^---[\s\S]*?---\n/, "");
  return [file.replace(".vics", ""), checkFor(parse(text), school)] as const;
});
function rungsOf(drill: Checked, more: Partial<LadderOptions> = {}): readonly Rung[] {
  const result = finished(makeLadder(drill, school, { ...LADDER_DEFAULTS, order: school.customs.stages, ...more }));
  return result.ok ? result.rungs : [];
}
const WISHES: readonly (readonly [string, Partial<LadderOptions>])[] = [
  ["the feeder chooses", { goal: GOALS.random.goal, seed: 2 }],
  ["everything allowed", { operators: OPERATORS, rungs: 6, seed: 3 }],
];
/** Each drill as it comes, and with one of the wishes in turn. */
const ladders = drills.flatMap(([name, drill], i) =>
  [["as it comes", {}] as const, WISHES[i % WISHES.length]!].map(([words, wish]) => ({
    name: `${name}, ${words}`,
    rungs: rungsOf(drill, wish),
  })),
);
const made = ladders.filter((l) => l.rungs.length > 0);
/** Each step of each ladder. */
const steps = made.flatMap(({ name, rungs }) =>
  rungs.slice(1).map((rung, i) => ({ name: `${name}: rung ${i + 2}`, before: rungs[i]!, rung })),
);
const lines = (rung: Rung) => [...linesOf(rung.checked.score.items)].map(({ line }) => lineText(line));

test("all drills but those with no sound row give ladders", () => {
  expect(made.length).toBeGreaterThanOrEqual(2 * (drills.length - 1));
  expect(steps.length).toBeGreaterThan(150);
});
test("no rung is easier than the one before, and none is the same drill", () => {
  for (const { name, before, rung } of steps) {
    expect([name, rung.checked.load.total > before.checked.load.total]).toEqual([name, true]);
    expect([name, playOf(rung.text) !== playOf(before.text)]).toEqual([name, true]);
  }
});
test("every change is named in one sentence that can be read without the text", () => {
  for (const { name, rung } of steps) {
    expect([name, rung.changed]).toEqual([name, expect.stringMatching(/^[A-Z“].{8,220}$/)]);
    expect([name, /[{}]|undefined|\bnull\b/.test(rung.changed)]).toEqual([name, false]);
  }
});

/** New things that slow the drill down on the same rung. */
const SLOWS: readonly OperatorId[] = [
  "feeders-choice",
  "calls",
  "contact",
  "semi-live",
  "hidden-feed",
  "feint",
  "punish",
];
const SLOWEST = 0.3;
test("choice, contact, free movement and what is hidden slow the drill down, unless it is slow already", () => {
  const found = steps.filter(({ rung }) => SLOWS.includes(rung.operator as OperatorId));
  expect(found.length).toBeGreaterThan(20);
  for (const { name, before, rung } of found) {
    // A choice that takes in one more line is no new thing.
    if (/^ *choose /m.test(before.text)) continue;
    // Yielding does not grow by tempo, and nobody slows down alone.
    if (!["feeder", "flow"].includes(rung.checked.header.kind)) continue;
    const [was, is] = [before.checked.header.tempo, rung.checked.header.tempo];
    expect([name, rung.operator, is < was || was <= SLOWEST + 1e-9]).toEqual([name, rung.operator, true]);
  }
});
test("only “faster” makes a drill faster, and never beyond what its tightest exchange allows", () => {
  for (const { name, before, rung } of steps) {
    if (rung.checked.header.tempo <= before.checked.header.tempo + 1e-9) continue;
    expect([name, rung.operator]).toEqual([name, "tempo-up"]);
    const ceilings = rung.checked.exchanges.flatMap((e) => (e.ceiling !== null && e.ceiling > 0 ? [e.ceiling] : []));
    expect([name, Math.min(...ceilings) >= rung.checked.header.tempo - 1e-9]).toEqual([name, true]);
  }
});
test("one change at a time: beside the header no more than one line is written otherwise", () => {
  // These touch every line by their nature.
  const whole: readonly (OperatorId | "rows")[] = [
    "mirror",
    "restriction",
    "other-tool",
    "third-person",
    "isolate",
    "rows",
  ];
  for (const { name, before, rung } of steps) {
    if (whole.includes(rung.operator!)) continue;
    const old = new Set(lines(before));
    const changed = lines(rung).filter((line) => !old.has(line));
    const most = ["swap-hands", "entry", "harder-push", "sudden-push"].includes(rung.operator ?? "") ? 8 : 1;
    expect([name, rung.operator, changed.length <= most]).toEqual([name, rung.operator, true]);
  }
});
test("a rule that holds on one rung holds on the next", () => {
  for (const { name, before, rung } of steps)
    for (const actor of before.checked.header.actors)
      for (const rule of before.checked.header.rules[actor])
        expect([name, rung.checked.header.rules[actor].has(rule)]).toEqual([name, true]);
});
test("no rung breaks what the checker finds wrong, and a minor is never given more than light contact", () => {
  for (const { name, rung } of steps) {
    expect([name, rung.checked.findings.filter((f) => f.severity === "error")]).toEqual([name, []]);
    const minor = rung.checked.header.actors.some((a) => rung.checked.header.people[a].minor);
    if (minor) expect(["none", "light"]).toContain(rung.checked.header.contact);
  }
});
test("force is the last rung or none, and no blade or bare head under a stick gets harder", () => {
  for (const { name, rungs } of made) {
    const at = rungs.findIndex((r) => r.operator === "contact");
    if (at < 0) continue;
    expect([name, at]).toEqual([name, rungs.length - 1]);
    const { exchanges, header } = rungs[at]!.checked;
    if (!exchanges.some((e) => e.blow?.weapon)) continue;
    expect([name, exchanges.some((e) => e.blow?.tool === "blade")]).toEqual([name, false]);
    for (const actor of header.actors) expect(header.people[actor].wears).toContain("caged headgear");
  }
});
test("who calls a beat does not leave it free", () => {
  for (const { name, rung } of steps) {
    const called = /^choose call/m.test(rung.text);
    const free = /^cadence: free/m.test(rung.text);
    // A coach may call a drill in which both move; the other way round the call has no time.
    if (rung.operator === "calls") expect([name, called && free]).toEqual([name, false]);
  }
});
test("nobody stands about: a ladder for two stays one for two", () => {
  for (const { name, rungs } of made.filter((l) => !l.name.includes("everything"))) {
    const people = new Set(rungs.map((r) => r.checked.header.actors.length));
    expect([name, people.size]).toEqual([name, 1]);
  }
});
test("alternatives of a rung are harder than the rung before and are none of the rungs", () => {
  for (const { name, before, rung } of steps)
    for (const other of rung.alternatives) {
      expect([name, other.load.total > before.checked.load.total]).toEqual([name, true]);
      expect([name, playOf(other.text) === playOf(rung.text)]).toEqual([name, false]);
      expect([name, other.verdict]).not.toEqual([name, "broken"]);
    }
});
test("nothing is added before all of the drill is there at its own tempo", () => {
  let found = 0;
  for (const [name, drill] of drills) {
    if (drill.verdict === "broken" || !["feeder", "flow"].includes(drill.header.kind)) continue;
    const rungs = rungsOf(drill);
    const added = rungs.findIndex(
      ({ operator }) => operator !== null && operator !== "rows" && operator !== "tempo-up",
    );
    if (added < 1) continue;
    const { checked } = rungs[added - 1]!;
    const ceilings = checked.exchanges.flatMap((e) => (e.ceiling !== null && e.ceiling > 0 ? [e.ceiling] : []));
    const fives = Math.floor(Math.min(...ceilings) * 20) / 20;
    expect([name, checked.header.tempo >= Math.min(drill.header.tempo, fives) - 1e-9]).toEqual([name, true]);
    found++;
  }
  expect(found).toBeGreaterThan(5);
});
