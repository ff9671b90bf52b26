/** The Ropewalk club and its people: all invented. Heights in cm, masses in kg. */
import type { Member } from "#core/people/person.ts";
import type { Wish } from "#core/pairs/score.ts";

export const DEMO_SCHOOL = "5b3c7c1e-0d52-4a4e-9b10-7d6a51f0a001";
export const DEMO_ACCOUNT = "5b3c7c1e-0d52-4a4e-9b10-7d6a51f0a002";
export const CLUB_NAME = "Ropewalk Martial Arts Club";
/** The password of all accounts of the club, which its sign-in page shows. */
export const DEMO_PASSWORD = "rope and lantern";
/** Who signs in, one in each role; the first one leads the club. */
export const accounts = [
  { id: DEMO_ACCOUNT, name: "Maren Holt", email: "maren@ropewalk.example", role: "owner", person: null },
  {
    id: "5b3c7c1e-0d52-4a4e-9b10-7d6a51f0a003",
    name: "Runa Feld",
    email: "runa@ropewalk.example",
    role: "instructor",
    person: null,
  },
  {
    id: "5b3c7c1e-0d52-4a4e-9b10-7d6a51f0a004",
    name: "Bent Sorge",
    email: "bent@ropewalk.example",
    role: "assistant",
    person: null,
  },
  {
    id: "5b3c7c1e-0d52-4a4e-9b10-7d6a51f0a005",
    name: "Corvin Aske",
    email: "corvin@ropewalk.example",
    role: "student",
    person: "5b3c7c1e-0d52-4a4e-9b10-7d6a51f0b003",
  },
] as const;

/** Who runs tonight's class, with its minors, and where help is. */
export const ADULTS = {
  first: "Maren Holt",
  second: "Runa Feld",
  first_aider: "Bent Sorge",
  collects: "whoever stands on the list at the door",
} as const;
export const HELP = { first_aid: "on the wall behind the bench", address: "3 Ropewalk, door in the yard" } as const;

const person = (n: number, name: string, height_cm: number, mass_kg: number, more: Partial<Member> = {}): Member => ({
  id: `5b3c7c1e-0d52-4a4e-9b10-7d6a51f0b${String(n).padStart(3, "0")}`,
  name,
  height_cm,
  mass_kg,
  reach_cm: null,
  lead: "left",
  hand: "right",
  born: null,
  minor: false,
  falls: true,
  ages: null,
  limits: [],
  levels: {},
  limits_until: null,
  agreed: "",
  ...more,
});

export const students: readonly Member[] = [
  person(1, "Anselm Brede", 193, 96, { reach_cm: 197, levels: { feeder: 5, flow: 4 } }),
  person(2, "Beata Lund", 164, 61, { levels: { feeder: 4, flow: 5 } }),
  person(3, "Corvin Aske", 181, 83),
  person(4, "Dagny Osk", 158, 54, { minor: true, ages: "13-17", agreed: "With Beata Lund, parents agreed" }),
  person(5, "Edda Vire", 171, 66),
  person(6, "Falk Tornau", 177, 78, {
    limits: ["right shoulder: no overhead work", "no falls"],
    levels: { feeder: 4 },
  }),
  person(7, "Gesa Winther", 168, 63, { lead: "right", hand: "left" }),
  person(8, "Hamo Reik", 185, 88, { levels: { feeder: 2, flow: 1 } }),
  person(9, "Ilka Morrow", 148, 43, { minor: true, ages: "10-12" }),
  person(10, "Jorun Stahl", 174, 72),
  person(11, "Kester Amsel", 169, 70),
  person(12, "Liv Tarn", 161, 57, { levels: { feeder: 2 } }),
  person(13, "Matti Orre", 179, 81, { reach_cm: 186 }),
  person(14, "Nele Farn", 153, 47, { minor: true, ages: "10-12", levels: { feeder: 1 } }),
  person(15, "Odo Lachs", 188, 104),
];

/** Who may or should not work together. */
export const wishes: readonly Wish[] = [
  { a: students[1]!.id, b: students[3]!.id, kind: "agreed" },
  { a: students[7]!.id, b: students[14]!.id, kind: "apart" },
];

export const gear: readonly { kind: string; count: number }[] = [
  { kind: "mitts", count: 6 },
  { kind: "kick shield", count: 3 },
  { kind: "stick", count: 12 },
  { kind: "training knife", count: 5 },
  { kind: "eye protection", count: 10 },
  { kind: "mats", count: 48 },
];

/** Drills of the term in the order in which they were taught; file names below `demo/drills`. */
export const drillFiles = [
  "single-answers",
  "one-two-three",
  "cover-and-return",
  "low-line",
  "long-and-short",
  "shot-and-sprawl",
  "pads-by-name",
  "four-count-weave",
  "weave-with-change",
  "angles-of-five",
  "roof-and-step",
  "short-blade",
  "push-and-turn",
  "felt-on-the-arm",
  "through-the-gap",
  "who-chooses",
  "mitts-in-threes",
  "hands-off",
  "one-slow-blow",
  "three-rolls",
  "ten-a-side",
  "blade-to-blade",
] as const;
