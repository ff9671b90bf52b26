/**
 * What is kept between checks must never decide: a text that is typed, with every cache warm, comes out
 * as it does for somebody who opens it for the first time.
 */
import { checkFor } from "../policy/judge.ts";
import { defaultSchool, type School } from "../policy/school.ts";
import { makeVocabulary } from "../words/vocabulary.ts";
import { readHeader, type LineHeader } from "../score/header.ts";
import { parse } from "../score/parse.ts";
import { checkText } from "./check-text.ts";

const PLAY = [
  "A jab -> B slap parry, cross -> A cover",
  "A cross -> B slip out, lead hook -> A roll",
  "A 3 -> B cover",
  "A rear round kick to leg -> B check",
  "A rear uppercut to body -> B elbow block, push",
  "A jab high! -> B catch, jab -> A slap parry",
];
const BASE: Readonly<Record<string, string>> = {
  title: "Typed",
  kind: "feeder",
  A: "height 180",
  B: "lead left",
};

/** The same with weapons, whose numbers a set explains. */
const STICKS: Readonly<Record<string, string>> = { A: "holds stick 71 cm", B: "holds stick 71 cm" };
const WITH_STICKS = ["A strike 3 -> B block 3", "A strike 6 -> B inside block"];

/** One row written differently, for every header row there is and every attribute of a person. */
const CHANGES: readonly (readonly [string, string])[] = [
  ["title", "Another"],
  ["kind", "flow"],
  ["kind", "sensitivity"],
  ["level", "advanced"],
  ["focus", "timing"],
  ["gear", "gloves"],
  ["range", "kick"],
  ["range", "1.6 m"],
  ["tempo", "100 %"],
  ["contact", "full"],
  ["context", "self-protection"],
  ["numbering", "punches"],
  ["tradition", "karate"],
  ["mats", "yes"],
  ["formation", "triangle 2 m"],
  ["order", "A B C"],
  ["C", "height 160"],
  ["rules A", "no steps"],
  ["rules B", "no hands"],
  ["A", "height 150"],
  ["A", "height 180, reach 170"],
  ["A", "height 180, mass 110"],
  ["A", "height 180, lead right"],
  ["A", "height 180, left handed"],
  ["A", "height 180, minor"],
  ["A", "height 180, holds stick 71 cm"],
  ["A", "height 180, holds two sticks 60 cm"],
  ["A", "height 180, holds training knife 28 cm"],
  ["B", "lead left, wears gloves"],
  ["B", "lead left, wears mitts"],
  ["B", "lead left, holds stick 71 cm"],
];

const textOf = (header: Readonly<Record<string, string>>, play: readonly string[]): string =>
  [...Object.entries(header).map(([k, v]) => `${k}: ${v}`), "", ...play, ""].join("\n");
const textWith = (key: string, value: string): string => textOf({ ...BASE, [key]: value }, PLAY);

/** All that a check says, without the objects that say it. */
function said(text: string, check: (text: string) => ReturnType<typeof checkText>) {
  const { verdict, findings, exchanges, load, header, distance } = check(text);
  return JSON.stringify([
    verdict,
    findings,
    exchanges.map((e) => [e.verdict, e.margin, e.robust, e.ceiling, e.times, e.findings.map((f) => f.rule)]),
    load,
    [...header.rules.A, ...header.rules.B, header.tempo, header.contact],
    distance,
  ]);
}

/** A school that no check has seen: nothing is kept for it or for its words. */
const fresh = (): School => ({ ...defaultSchool(), vocabulary: makeVocabulary() });

describe("what is kept while somebody types", () => {
  const school = fresh();
  const typed = (text: string) => checkText(text, school);
  test.each(CHANGES)("%s: %s comes out typed as it does fresh", (key, value) => {
    const text = textWith(key, value);
    const alone = said(text, (t) => checkFor(parse(t), fresh()));
    // There and back again, so that the caches are warm with what stood there before.
    said(textWith("title", "Typed"), typed);
    expect(said(text, typed)).toBe(alone);
    said(textWith("title", "Typed"), typed);
    expect(said(text, typed)).toBe(alone);
  });

  test.each(["seven angles", "five angles", "eight directions"])("numbers are those of the set: %s", (numbering) => {
    const text = textOf({ ...STICKS, numbering }, WITH_STICKS);
    said(textOf(STICKS, WITH_STICKS), typed);
    expect(said(text, typed)).toBe(said(text, (t) => checkFor(parse(t), fresh())));
  });

  test("every field that a line may read is changed above, so that one forgotten in a key would show", () => {
    const base = readHeader(parse(textWith("title", "Typed"))).header;
    const fields: readonly (keyof LineHeader)[] = [
      "kind",
      "range",
      "numbering",
      "tradition",
      "actors",
      "people",
      "rules",
    ];
    const plain = (value: unknown) => JSON.stringify(value, (_, v: unknown) => (v instanceof Set ? [...v] : v));
    const changed = new Set(
      CHANGES.flatMap(([key, value]) => {
        const { header } = readHeader(parse(textWith(key, value)));
        return fields.filter((field) => plain(header[field]) !== plain(base[field]));
      }),
    );
    expect([...changed].sort()).toEqual([...fields].sort());
  });

  test("the customs of a school are part of what a result is kept under", () => {
    const customs = { ...school.customs, numbering: "five angles" };
    const text = textOf(STICKS, WITH_STICKS);
    said(text, typed);
    const other = said(text, (t) => checkText(t, { ...school, customs }));
    expect(other).toBe(said(text, (t) => checkFor(parse(t), { ...fresh(), customs })));
  });
});
