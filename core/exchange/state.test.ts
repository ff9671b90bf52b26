/** What lasts from beat to beat: limbs, holds, weight, balance, and what the other limbs can do. */
import { shippedVocabulary } from "../words/vocabulary.ts";
import { check } from "../drill/check.ts";
import { followUps } from "./follow-ups.ts";
import { differences, rolesExchanged } from "../drill/loops.ts";
import { movesOf, scene, standing } from "./testing.ts";
import { limbKind, limbSide } from "./blow.ts";
import {
  EMPTY_HANDS,
  heldBy,
  openState,
  restore,
  risen,
  setHold,
  STANCE,
  withBody,
  withState,
  type BodyState,
  type Hold,
  type World,
} from "../body/state.ts";
import type { Side } from "../score/person.ts";
import type { Actor } from "../score/types.ts";
import { parse } from "../score/parse.ts";

const rules = (text: string) => check(parse(text)).findings.map((f) => f.rule);

/** A world in which somebody is otherwise than they were. */
const changed = (world: World, actor: Actor, changes: Partial<BodyState>): World =>
  withBody(world, withState(world[actor]!, changes));
const holding = (world: World, actor: Actor, side: Side, hold: Hold): World =>
  changed(world, actor, { holds: { ...EMPTY_HANDS, [side]: hold } });

describe("which limb does it", () => {
  const side = (text: string, row = "", incoming: "left" | "right" | null = null) => {
    const state = standing("B", row, 1);
    return limbSide(movesOf(text, state)[0]!, state, incoming);
  };
  test.each([
    ["jab", "", "left"],
    ["jab", "lead right", "right"],
    ["cross", "", "right"],
    ["rear hook", "", "right"],
    ["hook", "", "left"],
    ["R hook", "", "right"],
    ["forehand high", "holds stick 71 cm", "right"],
    ["forehand high", "holds stick 71 cm, left handed", "left"],
    ["L forehand high", "holds two sticks 66 cm", "left"],
    ["round kick", "", "right"],
    ["lead round kick", "", "left"],
  ] as const)("%s (%s): %s", (text, row, expected) => {
    expect(side(text, row)).toBe(expected);
  });
  test("covers and parries take the incoming side unless told", () => {
    expect(side("cover", "", "right")).toBe("right");
    expect(side("parry", "", "left")).toBe("left");
    expect(side("cover rear", "", "left")).toBe("right");
  });
  test("hands, legs and the body", () => {
    const state = standing("B", "", 1);
    expect(limbKind(movesOf("shin check", state)[0]!)).toBe("leg");
    expect(limbKind(movesOf("slip", state)[0]!)).toBe("body");
    expect(limbKind(movesOf("cover", state)[0]!)).toBe("hand");
  });
});

describe("holds", () => {
  const world = (): World => ({ A: standing("A", "", 0), B: standing("B", "", 1) });
  test("a touch holds nobody, a pin and a grip do", () => {
    const taken = { of: "A", limb: "hand", side: "left" } as const;
    expect(heldBy(holding(world(), "B", "right", { ...taken, kind: "touch" }), "A", "hand", "left")).toBeNull();
    const w = holding(world(), "B", "right", { ...taken, kind: "pin" });
    expect(heldBy(w, "A", "hand", "left")?.actor).toBe("B");
    expect(heldBy(w, "A", "hand", "right")).toBeNull();
    expect(heldBy(w, "A", "leg", "left")).toBeNull();
  });
  test("an open copy shares nothing that changes", () => {
    const w = world();
    const copy = openState(w.B!);
    setHold(copy, "left", { of: "A", limb: "leg", side: "right", kind: "grip" });
    copy.x = 5;
    restore(copy);
    expect(w.B!.holds.left).toBeNull();
    expect(w.B!.x).toBe(0);
  });
  test.each([
    ["A jab -> B grab on lead wrist -> A jab -> B catch", true],
    ["A jab -> B grab on lead wrist -> A cross -> B catch", false],
    ["A jab -> B grab on lead wrist -> A circle off, jab -> B catch", false],
    ["A rear round kick to body -> B leg catch -> A rear round kick to leg -> B shin check", true],
    ["A rear round kick to body -> B leg catch -> A lead round kick to leg -> B shin check", false],
    ["A jab -> B pin on lead hand, guard -> A jab -> B catch", true],
  ] as const)("%s: pinned %s", (text, pinned) => {
    expect(rules(text).includes("limb-pinned")).toBe(pinned);
  });
});

test("who ducked is up again, who slipped is still there", () => {
  const shift = (u: number, w: number, d: number) => ({ u, w, d });
  const low = {
    ...STANCE,
    head: shift(0.3, -0.3, -0.2),
    chest: shift(0.2, -0.25, 0),
    hips: shift(0.1, -0.15, -0.15),
    legBack: { left: 0.4, right: 0 },
  };
  expect(risen(low)).toBe(STANCE);
  const aside = risen({ ...low, head: shift(0.18, 0, -0.2) });
  expect(aside.head).toEqual(shift(0.18, 0, -0.2));
  expect(aside.hips).toEqual(shift(0.1, 0, 0));
  expect(aside.legBack).toEqual({ left: 0, right: 0 });
  expect(risen(STANCE)).toBe(STANCE);
});

describe("weight", () => {
  test.each([
    ["A cross, lead hook -> B slip out, weave", false],
    ["A lead hook, lead hook -> B weave, weave", true],
    ["A lead hook, rear hook -> B weave, weave", false],
    ["A lead hook, recover, lead hook -> B weave, weave", false],
    ["A jab -> B slip out, rear uppercut", false],
    ["A cross -> B slip out, lead hook", false],
    // What gets out of the way loads the first blow after it; the same hand twice has nothing left.
    ["A jab -> B slip out, lead hook", false],
    ["A jab -> B slap parry, cross, cross", true],
    ["A jab -> B slip out, lead hook to body, lead hook", false],
    ["A cross -> B slip out, lead hook -> A cover", false],
  ] as const)("%s: reload %s", (text, reload) => {
    expect(rules(text).includes("reload")).toBe(reload);
  });
});

describe("balance", () => {
  test.each([
    ["A double leg -> B sprawl, cross", true],
    ["A double leg -> B sprawl, recover, cross", false],
    ["A jab -> B level change, cross to body", false],
    ["A spinning backfist, jab -> B duck, catch", true],
    ["A spinning backfist, guard, jab -> B duck, catch", false],
  ] as const)("%s: not recovered %s", (text, missing) => {
    expect(rules(text).includes("not-recovered")).toBe(missing);
  });
  test("a head too far from the feet cannot act at once", () => {
    expect(rules("A jab -> B weave + slip out")).toContain("off-balance");
    expect(rules("A jab -> B slip out")).not.toContain("off-balance");
  });
});

describe("follow-ups", () => {
  const list = (blowText: string, distance: number, changes: Partial<BodyState> = {}) => {
    const { receiver, ...s } = scene(blowText, distance);
    const found = followUps({
      vocabulary: shippedVocabulary(),
      late: 0,
      blow: s.blow,
      attacker: s.attacker,
      receiver: withState(receiver, changes),
      world: { A: s.attacker, B: withState(receiver, changes) },
      right: 0,
      forward: 0,
      pushed: 0,
      busy: [],
    });
    return new Map(found.map((f) => [f.move, f]));
  };
  test("the limb that attacked is not among them", () => {
    expect([...list("jab", 1.1).keys()]).not.toContain("jab");
    expect([...list("cross", 1.1).keys()]).not.toContain("cross");
    expect([...list("rear round kick to leg", 1.1).keys()]).not.toContain("round kick to leg");
  });
  test("far away nothing reaches", () => {
    for (const f of list("jab", 3).values()) expect(f).toMatchObject({ state: "out of reach", threat: 0 });
  });
  test("the idle guard covers, an open one does not", () => {
    expect(list("jab", 1.0).get("rear hook")!.state).toBe("covered");
    expect(list("jab", 1.0, { open: true }).get("rear hook")!.state).toBe("open");
  });
  test("a held hand threatens nothing", () => {
    const pin = { of: "A", limb: "hand", side: "right", kind: "pin" } as const;
    const held = list("jab", 1.0, { holds: { left: pin, right: null } });
    expect([...held.keys()]).not.toContain("cross");
  });
  test("threats lie between none and all, the greatest first", () => {
    const threats = [...list("jab", 1.0).values()].map((f) => f.threat);
    for (const t of threats) expect(t >= 0 && t <= 1).toBe(true);
    expect([...threats].sort((a, b) => b - a)).toEqual(threats);
  });
});

describe("what differs between two ends of a cycle", () => {
  const pair = (): World => ({ A: standing("A", "holds stick 71 cm", 0), B: standing("B", "holds stick 71 cm", 1.2) });
  const after = (actor: Actor, changes: Partial<BodyState>) => differences(pair(), changed(pair(), actor, changes));
  test("nothing", () => {
    expect(after("A", {})).toEqual([]);
    expect(after("B", { y: 1.24 })).toEqual([]);
  });
  const grip = { of: "B", limb: "hand", side: "left", kind: "grip" } as const;
  const changes: readonly (readonly [string, Actor, Partial<BodyState>, RegExp])[] = [
    ["distance", "B", { y: 1.4 }, /distance is 20 cm more/],
    ["feet", "A", { lead: "right" }, /A stands with the other foot/],
    ["hands", "B", { weaponSide: "left" }, /B has the weapon in the other hand/],
    ["balance", "B", { unrecovered: "down" }, /B is down/],
    ["chamber", "A", { chamber: "left" }, /A has the weapon chambered/],
    ["yielding", "B", { yielded: 0.1 }, /B has less room to yield/],
    ["holds", "A", { holds: { left: grip, right: null } }, /left hand of A still holds/],
  ];
  test.each(changes)("%s", (_, actor, change, words) => {
    expect(after(actor, change).join()).toMatch(words);
  });
  test("with roles exchanged A is compared with B", () => {
    const first = changed(pair(), "A", { lead: "right" });
    const second = changed(pair(), "B", { lead: "right" });
    expect(differences(first, second)).not.toEqual([]);
    expect(differences(first, rolesExchanged(second))).toEqual([]);
  });
});
