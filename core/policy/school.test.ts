import { checkFor } from "./judge.ts";
import { parse } from "../score/parse.ts";
import { defaultSchool, readSchool, type School } from "./school.ts";

function school(data: unknown): School {
  const result = readSchool(data);
  if (!result.ok) throw new Error(result.errors.join("; "));
  return result.school;
}
const run = (text: string, data: unknown) => checkFor(parse(text), school(data));

describe("severity", () => {
  test("a school that forbids slipping inside makes it invalid", () => {
    const text = "A jab -> B slip in";
    expect(checkFor(parse(text)).exchanges[0]!.verdict).toBe("risky");
    const strict = run(text, { severity: { "inside-line": "error" } });
    expect(strict.exchanges[0]!.verdict).toBe("invalid");
    expect(strict.verdict).toBe("broken");
  });
  test("what is off is not said", () => {
    const text = "A lead hook, lead hook -> B weave, weave";
    expect(checkFor(parse(text)).findings.map((f) => f.rule)).toContain("reload");
    expect(run(text, { severity: { reload: "off" } }).findings).toEqual([]);
  });
  test("a live blade cannot be waved through", () => {
    const text = "A: holds knife 28 cm\n\nA slash forehand high -> B step back";
    expect(run(text, { severity: { "training-tool": "off" } }).findings.map((f) => f.rule)).toContain("training-tool");
  });
  test("settings of one school do not leak into another", () => {
    const score = parse("A jab -> B slip in");
    checkFor(score, school({ severity: { "inside-line": "error" } }));
    expect(checkFor(score, defaultSchool()).exchanges[0]!.verdict).toBe("risky");
  });
});

describe("rulings", () => {
  const rulings = [{ feed: "jab", answer: "cover", verdict: "valid", reason: "our tight guard closes the middle" }];
  test("override the geometry and are always shown as such", () => {
    const { exchanges, findings } = run("A jab -> B cover", { rulings });
    expect(exchanges[0]!.verdict).toBe("valid");
    expect(findings.find((f) => f.rule === "ruling")?.message).toMatch(/school rules this sound: our tight guard/);
    // What the geometry says is still there to be read.
    expect(exchanges[0]!.margin).toBeLessThan(0);
  });
  test("decide for the drill as a whole as well, either way", () => {
    const verdict = (text: string, as: string) =>
      run(text, {
        rulings: [
          { feed: "jab", answer: "cover", verdict: as, reason: "x" },
          { feed: "jab", answer: "parry", verdict: as, reason: "x" },
        ],
      }).verdict;
    expect(["valid", "risky", "invalid"].map((v) => verdict("A jab -> B cover", v))).toEqual([
      "sound",
      "risky",
      "broken",
    ]);
    expect(["valid", "risky", "invalid"].map((v) => verdict("A jab -> B parry", v))).toEqual([
      "sound",
      "risky",
      "broken",
    ]);
    // A return that does not reach stays an error: no ruling on the answer mends it.
    expect(verdict("range: 3 m\n\nA jab -> B cover, lead elbow", "valid")).toBe("broken");
  });
  test("hold for any name of the moves, and for nothing else", () => {
    expect(run("A lead straight -> B high cover", { rulings }).exchanges[0]!.verdict).toBe("valid");
    expect(run("A cross -> B cover", { rulings }).findings.map((f) => f.rule)).not.toContain("ruling");
  });
});

test.each([
  [[], /must be an object/],
  [{ colours: 1 }, /“colours” is not known/],
  [{ severity: { nonsense: "error" } }, /no rule “nonsense”/],
  [{ severity: { late: "loud" } }, /late: “loud” must be one of/],
  [{ rulings: [{ feed: "jab" }] }, /number 1 needs feed, answer, reason/],
  [{ moves: [{ id: "x" }] }, /^moves: x: /m],
])("%j is refused with words", (data, words) => {
  const result = readSchool(data);
  expect(result.ok).toBe(false);
  if (!result.ok) expect(result.errors.join("\n")).toMatch(words);
});

test("own moves come with the school", () => {
  const own = {
    id: "harbour-turn",
    names: { english: ["harbour turn"] },
    group: "yielding",
    roles: ["answer"],
    limb: "body",
    sides: "way",
    move: 150,
    answer: [{ by: "energy", goes: "turn", keeps: true }],
    coaching: ["Soft knees.", "Eyes up."],
    faults: ["Leans."],
  };
  expect(
    run("kind: sensitivity\n\nA push to right chest -> B harbour turn right", { moves: [own] }).exchanges[0]!.verdict,
  ).toBe("valid");
});
