/** Nothing in the data is accepted and ignored: every field has a reader, every rule is raised, every setting has an effect. */
import ts from "typescript";
import { moveFiles, movesOf } from "./shipped.ts";
import { nodesOf, sourcesIn } from "../base/source-testing.ts";
import { padFor } from "../exchange/pads.ts";
import { RULE_IDS } from "../findings/rules.ts";
import { makeLadder } from "../ladder/ladder.ts";
import { LADDER_DEFAULTS } from "../ladder/ladder-options.ts";
import { finished } from "../base/work.ts";
import { checkFor } from "../policy/judge.ts";
import { readSchool, type School } from "../policy/school.ts";
import { SCHOOL_CUSTOMS, type SchoolCustoms } from "../policy/settings.ts";
import { parse } from "../score/parse.ts";
import { shownName } from "./shown.ts";
import { factsFor } from "../formats/trial.ts";

/** Every field of shipped moves, by the fields that lead to it. */
function fieldsOf(value: unknown, found: Set<string>): void {
  if (Array.isArray(value)) for (const one of value) fieldsOf(one, found);
  else if (typeof value === "object" && value !== null)
    for (const [key, inner] of Object.entries(value)) {
      found.add(key);
      fieldsOf(inner, found);
    }
}

/** Places that describe or check the data without using it. */
const DESCRIBE = /words\/(types|schema|facts|shipped)\.ts$/;

test("every field of the data has a reader", () => {
  const fields = new Set<string>();
  for (const file of Object.values(moveFiles)) fieldsOf(movesOf(file), fields);
  const read = new Set<string>();
  for (const { path, tree } of sourcesIn("core", "app")) {
    if (DESCRIBE.test(path)) continue;
    for (const node of nodesOf(tree)) {
      if (ts.isPropertyAccessExpression(node)) read.add(node.name.text);
      if (ts.isBindingElement(node)) read.add((node.propertyName ?? node.name).getText());
      // Values by height, side or zone are read by a word that is worked out.
      if (ts.isElementAccessExpression(node)) read.add("[]");
    }
  }
  const byWord = new Set(["high", "mid", "low", "lead", "rear", "head", "chest", "belly", "hips", "legs"]);
  const traditions = new Set(["english", "filipino", "cantonese", "japanese", "thai", "boxing"]);
  const unread = [...fields].filter((f) => !read.has(f) && !byWord.has(f) && !traditions.has(f));
  expect(unread).toEqual([]);
});

test("every rule is raised somewhere", () => {
  const literals = new Set<string>();
  for (const { tree } of sourcesIn("core/read", "core/exchange", "core/drill", "core/policy"))
    for (const node of nodesOf(tree)) if (ts.isStringLiteral(node)) literals.add(node.text);
  expect(RULE_IDS.filter((rule) => !literals.has(rule))).toEqual([]);
});

const schoolWith = (customs: Partial<SchoolCustoms>): School => {
  const read = readSchool({ customs });
  if (!read.ok) throw new Error(read.errors.join());
  return read.school;
};
const DRILL = "tempo: 80%\n\nA jab -> B slip out, cross\nA cross -> B catch\nA lead hook -> B weave";
const ladder = (school: School): string => {
  const made = makeLadder(checkFor(parse(DRILL), school), school, {
    ...LADDER_DEFAULTS,
    order: school.customs.stages,
    rungs: 6,
  });
  const result = finished(made);
  return result.ok ? result.rungs.map((r) => r.text).join("\n") : result.message;
};
const verdict = (text: string, school: School) => checkFor(parse(text), school).verdict;
const notes = (text: string, school: School) => checkFor(parse(text), school).findings.map((f) => f.rule);
const header = (text: string, school: School) => checkFor(parse(text), school).header;

/** Two values of each custom that changes what is read, drawn or planned, and something that differs between them. */
const EFFECTS: {
  readonly [K in Exclude<keyof SchoolCustoms, "minorsPage">]: readonly [
    SchoolCustoms[K],
    SchoolCustoms[K],
    (school: School) => unknown,
  ];
} = {
  numbering: ["five angles", "twelve angles", (s) => header("A jab", s).numbering],
  context: ["duel", null, (s) => header("A jab", s).context],
  names: [
    "filipino",
    "english",
    (s) => [...s.vocabulary.moves.values()].map((move) => shownName(move, s.customs.names, s.vocabulary)).join(),
  ],
  pads: ["same", "opposite", (s) => padFor("left", s.customs.pads)],
  rooting: [
    "valid",
    "risky",
    (s) => verdict("kind: sensitivity\nrules B: no resisting\n\nA push to chest -> B root", s),
  ],
  minors: ["own", "strict", (s) => verdict("B: minor\n\nA jab -> B slip out", s)],
  beginnersFeeds: [2, 4, (s) => notes("level: beginners\n\nA jab, cross, jab -> B step back", s)],
  leaving: ["always", "never", (s) => notes("A jab -> B catch, cross", s)],
  hookFist: [
    "flat",
    "upright",
    (s) =>
      [...s.vocabulary.moves.values()]
        .flatMap((move) => factsFor(move, s))
        .map((fact) => fact.value)
        .join(),
  ],
  stages: [[...SCHOOL_CUSTOMS.stages].reverse(), SCHOOL_CUSTOMS.stages, ladder],
  power: ["full", "slow first", ladder],
};
test.each(Object.entries(EFFECTS))("the custom “%s” has an effect", (key, [one, two, look]) => {
  const under = (value: unknown) => look(schoolWith({ [key]: value }));
  expect(under(one)).not.toEqual(under(two));
});
