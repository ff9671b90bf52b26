import { checkFor } from "../policy/judge.ts";
import { defaultSchool } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { linesOf } from "../score/structure.ts";
import { PARTS } from "../body/parts.ts";
import { partNamed } from "./part-names.ts";
import { LineReader } from "../read/line-reader.ts";
import { doneFrom } from "../read/stance.ts";
import type { Stance, WordContext } from "../read/types.ts";
import { readMoves } from "./schema.ts";
import { moveFiles, numberingSets, shippedMoves } from "./shipped.ts";
import { makeVocabulary, nearestNames, shippedVocabulary } from "./vocabulary.ts";
import type { MoveData } from "./types.ts";

const vocabulary = shippedVocabulary();
type Context = WordContext & Stance;
const EMPTY: Context = {
  holds: null,
  twoSticks: false,
  off: null,
  pads: false,
  kind: "feeder",
  tradition: null,
  weaponSide: "right",
  lead: "left",
  numbering: "twelve angles",
};
const STICK: Context = { ...EMPTY, holds: "stick" };

function read(text: string, context: Context = EMPTY) {
  const line = new LineReader(["A"], [context], vocabulary).read([...linesOf(parse(`A ${text}`).items)][0]!.line);
  const { beats, faults } = doneFrom(line.plays[0]!.turns[0]!.alternatives[0]![0]!, context, vocabulary);
  return { beats, faults: [...line.faults, ...faults] };
}
const ids = (text: string, context?: Context) =>
  read(text, context).beats.flatMap((b) => b.uses.map((u) => u.move.id as string));
const use = (text: string, context?: Context) => read(text, context).beats[0]!.uses[0]!;

describe("shipped moves", () => {
  test("there are at least 260, each with coaching points and a fault", () => {
    expect(shippedMoves.length).toBeGreaterThanOrEqual(260);
    for (const move of shippedMoves) {
      expect(move.coaching.length).toBeGreaterThanOrEqual(2);
      expect(move.faults.length).toBeGreaterThanOrEqual(1);
    }
  });
  test.each(Object.entries(moveFiles))("%s has the shape of moves", (name, file) => {
    const result = readMoves(name, file);
    expect(result.ok ? [] : result.errors).toEqual([]);
    expect(file.about).toMatch(/no source/);
  });
  test("ids are unique", () => {
    expect(new Set(shippedMoves.map((m) => m.id)).size).toBe(shippedMoves.length);
  });
  test("takedowns, blades and sweeps carry cautions", () => {
    for (const move of shippedMoves.filter(
      (m) => m.group === "takedown entry" || m.group === "blade" || m.id === "sweep",
    ))
      expect(move.cautions?.length).toBeGreaterThan(0);
  });
});

/** Names that scores use; common practice, no source. */
const NAMES =
  "check hook, jab, cross, hook, uppercut, shovel hook, overhand, straight punch, backfist, spinning backfist, hammerfist, palm strike, finger flick, ridge hand, elbow, up elbow, down elbow, shoulder bump, switch kick, front kick, push kick, round kick, inside leg kick, side kick, back kick, short back kick, hook kick, crescent kick, knee, stomp, sweep, double leg, single leg, ankle pick, body lock, reap, show pad, hold pad, touch floor, sweep hook, walk forward, open, call, jerk, push, press, pull, lift, sink on, release, collapse, bump, touch, step, triangle step, tap back, slip, duck, weave, lean back, pull leg, hollow, step back, step off, rock step, pivot, circle, retreat, advance, switch stance, level change, jump back, long guard, leg catch, slap parry, parry, outward parry, low parry, scoop, catch, cross catch, cover, double cover, elbow drop, shoulder roll, rising block, outer block, inner block, low block, cross block, wedge, post, frame, collar tie, shin check, leg lift, knee shield, sprawl, pass, live-hand check, jam, fade, ward off, roll back, pluck, split, circling hand, sinking elbow, double-palm push, single-arm cycle, pummel, underhook, overhook, wrist control, slap-hand cycle, pin, trap, grab, strip, arm drag, press down, wing arm, palm-up arm, resting arm, sweep arm, shooting hand, wiping palm, roll, stick, follow, clear, disengage, circle off, turn, sink, fold, empty, lead past, root, brace, break-fall, stop, guard, recover, exit jab, exit angle, reset, change hands, entry grab, slap off, bow, teep, pak sao, bob and weave, uraken".split(
    ", ",
  );
const ARMED =
  "redonda, figure eight, forehand, backhand, overhead, upward, thrust, butt, two-hand push, fan, twirl, slant block, gunting, vine disarm, strip disarm, block, roof block, wing block, low sweep, drop block, braced block, parry stick, beat, counter-cut to the hand".split(
    ", ",
  );

test("every name that scores use is read", () => {
  expect(NAMES.filter((name) => read(name).faults.some((f) => f.rule === "unknown-move"))).toEqual([]);
  expect(ARMED.filter((name) => read(name, STICK).faults.length > 0)).toEqual([]);
});

describe("reading moves", () => {
  test("modifiers stand in any order around the name", () => {
    expect(use("lead hook to body")).toMatchObject({ side: "lead", target: { part: "body", side: null } });
    expect(use("hook lead to left ribs")).toMatchObject({ side: "lead", target: { part: "ribs", side: "left" } });
    expect(use("grab on rear leg")).toMatchObject({ on: { part: "leg", side: "rear" } });
    expect(use("~jab!")).toMatchObject({ feint: true, commitment: "committed" });
    expect(use("jab @1/2").length).toBe(0.5);
    expect(use("step off 30").degrees).toBe(30);
    expect(use("cross at C").at).toBe("C");
  });
  test("the longest name wins", () => {
    expect(ids("exit jab")).toEqual(["exit-jab"]);
    expect(ids("short back kick")).toEqual(["short-back-kick"]);
    expect(ids("step back")).toEqual(["step-back"]);
  });
  test("homonyms go by what is held, then by the kind", () => {
    expect(ids("thrust mid", STICK)).toEqual(["stick-thrust"]);
    expect(ids("thrust mid", { ...EMPTY, holds: "training knife" })).toEqual(["blade-thrust"]);
    expect(ids("forehand high", { ...EMPTY, holds: "knife" })).toEqual(["slash-forehand"]);
  });
  test("a row of numbers is beats of the punches set", () => {
    expect(read("1-2-3").beats).toHaveLength(3);
    expect(ids("1-2-3")).toEqual(["jab", "cross", "hook"]);
  });
  test("strikes of a set reach the receiver's side with the right stroke", () => {
    // Twelve angles in one common order, 1 left temple, 2 right temple: common practice, no source.
    expect(ids("strike 1", STICK)).toEqual(["stick-forehand"]);
    expect(ids("strike 2", STICK)).toEqual(["stick-backhand"]);
    expect(ids("strike 1", { ...STICK, weaponSide: "left" })).toEqual(["stick-backhand"]);
    expect(use("strike 8", STICK).target).toEqual({ part: "knee", side: "right" });
    expect(ids("block 12", STICK)).toEqual(["roof-block"]);
  });
  test.each([
    ["lead cross", EMPTY, "bad-move", "side"],
    ["forehand high", EMPTY, "bad-move", "needs"],
    ["strike 13", STICK, "bad-move", "number"],
    ["overhand low", EMPTY, "bad-move", "height"],
    ["frobnicate", EMPTY, "unknown-move", "unknown"],
    ["jab purple", EMPTY, "syntax", "modifier"],
  ] as const)("%s is a fault", (text, context, rule, code) => {
    expect(read(text, context).faults[0]).toMatchObject({ rule, code });
  });
  test("an unknown name gets the nearest ones", () => {
    expect(nearestNames(vocabulary, "jabb")).toContain("jab");
    expect(nearestNames(vocabulary, "slap pary")[0]).toBe("slap parry");
    expect(nearestNames(vocabulary, "qqqqqqqqqqqqqqqq")).toEqual([]);
  });
});

test("numbering sets have as many lines as their names say", () => {
  const count = Object.fromEntries(numberingSets.map((s) => [s.id, s.angles?.length ?? s.moves?.length]));
  expect(count).toEqual({
    punches: 6,
    "five angles": 5,
    "seven angles": 7,
    "eight directions": 8,
    "twelve angles": 12,
  });
});

test("parts lie inside the body, head parts above the chest", () => {
  for (const part of Object.values(PARTS)) expect(part.w).toBeLessThan(1.01);
  expect(PARTS.eyes.w).toBeGreaterThan(PARTS.jaw.w);
  expect(partNamed("Weapon arm")).toBe("weapon");
  expect(partNamed("moustache")).toBeNull();
});

describe("a school's own move", () => {
  const own = {
    id: "own-shield",
    names: { english: ["harbour shield"] },
    group: "hand defence",
    roles: ["answer"],
    limb: "incoming hand",
    sides: "limb",
    move: 130,
    answer: [{ by: "interpose", limb: "forearm", segments: [[0.09, 0.7, 0.06, 1]], depth: 0.2, stands: "incoming" }],
    coaching: ["Elbow in.", "Eyes open."],
    faults: ["Too far out."],
  };
  test("is data only, and is checked like any other", () => {
    const result = readMoves("own", { moves: [own] });
    expect(result).toMatchObject({ ok: true });
    const school = { ...defaultSchool(), vocabulary: makeVocabulary(result.ok ? result.moves : []) };
    const checked = checkFor(parse("A lead hook -> B harbour shield"), school);
    expect(checked.exchanges[0]).toMatchObject({ verdict: "valid" });
    expect(checkFor(parse("A lead hook to body -> B harbour shield"), school).exchanges[0]).toMatchObject({
      verdict: "invalid",
    });
  });
  const broken: [string, Partial<Record<keyof MoveData, unknown>>, RegExp][] = [
    ["no mechanism", { answer: [] }, /own-shield: .*no mechanism/],
    ["an unknown mechanism", { answer: [{ by: "magic" }] }, /by must be one of/],
    ["a field no move has", { colour: "blue" } as never, /colour/],
    ["one coaching point", { coaching: ["Elbow in."] }, /coaching/],
    ["a feed without an attack", { roles: ["feed"] }, /neither “attack” nor “energy”/],
    [
      "a target that is none",
      {
        attack: {
          tool: "fist",
          path: "thrust",
          target: "moustache",
          extension: 1,
          contact: 250,
          recover: 200,
          commitment: 0.3,
        },
      },
      /no part of the body/,
    ],
    [
      "an arc without a clock",
      {
        attack: {
          tool: "fist",
          path: "arc",
          target: "head",
          extension: 1,
          contact: 250,
          recover: 200,
          commitment: 0.3,
        },
      },
      /clock/,
    ],
  ];
  for (const [what, change, words] of broken) {
    test(`with ${what} is refused, and the message says where`, () => {
      const result = readMoves("own moves", { moves: [{ ...own, ...change }] });
      expect(result.ok).toBe(false);
      if (!result.ok) {
        expect(result.errors.join("\n")).toMatch(words);
        expect(result.errors[0]).toMatch(/^own moves: own-shield: /);
      }
    });
  }
});
