/** An evening and its people for tests of screens. */
import { NOTHING_FROZEN } from "#core/class/frozen.ts";
import type { PlannedPair } from "#core/class/plan.ts";
import type { Block } from "#core/class/timetable.ts";
import type { PlanPage, PersonView } from "#server/views.ts";

export const pair = (a: string, b: string, more: Partial<PlannedPair> = {}): PlannedPair => ({
  a,
  b,
  c: null,
  locked: false,
  rung: 0,
  verdict: "sound",
  distance: 1.12,
  why: ["not met before"],
  notes: [],
  ...more,
});
export const block = (more: Partial<Block>): Block => ({
  id: "w",
  kind: "work",
  title: "The jab and its answer",
  minutes: 12,
  rung: 0,
  rounds: 1,
  locked: false,
  ...more,
});
export const NAMES = { p1: "Edda Vire", p2: "Odo Lachs", p3: "Liv Tarn", p4: "Edda Amsel" };
export const person = (id: keyof typeof NAMES) => ({
  id,
  name: NAMES[id],
  height_cm: 170,
  reach_cm: null,
  mass_kg: 70,
  lead: "left" as const,
  hand: "right" as const,
  minor: false,
  ages: null,
  level: 3,
  limits: [],
  from: 0,
  until: null,
});
export const rounds = [
  { pairs: [pair("p1", "p2"), pair("p3", "p4", { rung: 1, notes: ["Without contact."] })], turn: 0 },
  { pairs: [pair("p1", "p3"), pair("p2", "p4")], turn: 1 },
].map((r) => ({ ...r, block: "w", side: "left" as const, done: false, alone: [] }));
export const page: PlanPage = {
  lesson: {
    id: "k",
    held_on: "2026-11-25",
    title: "Tonight",
    minutes: 60,
    theme: "",
    starts_at: "19:00:00",
    ladder_id: null,
    version: 1,
  },
  people: (Object.keys(NAMES) as (keyof typeof NAMES)[]).map(person),
  ladders: [{ id: "l", drill_id: "d", title: "Six rungs", rungs: 6 }],
  drills: [{ id: "d", title: "Quay" }],
  chosen: { ladder: "l", drill: "d", second: null, part: null },
  parts: [],
  carried: null,
  rungs: [
    {
      text: "A: lead left\n\nA jab -> B catch\n",
      title: "The jab and its answer",
      load: 3,
      people: 2,
      pads: false,
      fed: true,
      revisionId: "r1",
      drillId: "d1",
      operator: null,
    },
    {
      text: "A jab -> B catch, cross\n",
      title: "Add a return",
      load: 5,
      people: 2,
      pads: false,
      fed: true,
      revisionId: "r2",
      drillId: "d2",
      operator: "rows",
    },
  ],
  words: [
    {
      alone: ["Catch, then cross."],
      play: [{ text: "A: jab. B: catch.", depth: 0 }],
      cues: ["Palm to the cheek.", "Elbow stays in."],
      fault: "Reaches for it.",
      feeder: "Stop a fist short.",
      goOn: "Go on when it is caught five times running.",
    },
    {
      alone: ["Catch, then cross."],
      play: [{ text: "A: jab. B: catch, then cross.", depth: 0 }],
      cues: ["Send it back from where the hand is."],
      fault: null,
      feeder: "Stay there.",
      goOn: "Go on when the blow comes with no stop between.",
    },
  ],
  started: 1,
  frozen: NOTHING_FROZEN,
  kept: {
    ladder: "l",
    drill: "d",
    clock: { round: 180, change: 30, rest: 45 },
    locked: [],
    done: 1,
    plan: {
      ok: true,
      blocks: [
        block({ id: "warm-up", kind: "warm-up", title: "Warm-up", minutes: 10, rung: null, rounds: 0 }),
        block({}),
      ],
      left: 38,
      rounds,
      shares: [],
      notes: ["12 sticks are needed, 6 are there."],
      floor: 24,
      queue: 60,
    },
  },
  wishes: [],
  met: {},
  gear: { stick: 6, mitts: 0 },
  over: false,
  names: NAMES,
};

export const student = (name: string, more: Partial<PersonView> = {}): PersonView => ({
  id: name,
  name,
  height_cm: 171,
  reach_cm: null,
  mass_kg: 66,
  lead: "left",
  hand: "right",
  minor: false,
  ages: null,
  levels: { flow: 4 },
  limits: ["no falls"],
  limits_until: null,
  agreed: "",
  version: 1,
  archived: false,
  ...more,
});
