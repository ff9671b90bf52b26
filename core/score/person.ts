/** The row of a person in the header: `A: lead left, height 178, holds stick 71 cm, wears gloves`. */

export type Side = "left" | "right";
export const otherSide = (side: Side): Side => (side === "left" ? "right" : "left");

export const WEAPONS = ["stick", "training knife", "knife"] as const;
export type WeaponKind = (typeof WEAPONS)[number];
export const GEAR = [
  "mitts",
  "gloves",
  "eye protection",
  "caged headgear",
  "mouthguard",
  "groin guard",
  "shin guards",
  "belly pad",
  "kick shield",
] as const;
export type Gear = (typeof GEAR)[number];

export interface Held {
  readonly kind: WeaponKind;
  /** Length in metres. */
  readonly length: number;
  readonly count: 1 | 2;
}

/** One person as the header (or the school's list of people) describes him. Lengths in m, mass in kg. */
export interface Person {
  readonly lead: Side;
  readonly hand: Side;
  readonly height: number;
  /** Own arm span, fingertip to fingertip; null: taken equal to the height. */
  readonly reach: number | null;
  readonly mass: number | null;
  readonly minor: boolean;
  readonly holds: Held | null;
  readonly wears: readonly Gear[];
  /** The attributes that were written, so that a pair's own measures can fill the others. */
  readonly given: readonly string[];
}

export interface PersonFault {
  readonly code: string;
  readonly text: string;
}

/** Usual lengths in metres where none is written (a stick of 28 inches is 71 cm). */
const USUAL_LENGTH: Record<WeaponKind, number> = {
  stick: 0.71,
  "training knife": 0.28,
  knife: 0.28,
};

/** Bodies outside these bounds are taken for a typing slip. Heights and reach in cm, mass in kg. */
const BOUNDS = { height: [90, 230], reach: [80, 240], mass: [15, 220], weapon: [8, 200] } as const;

/** Reads a person's row; attributes that cannot be read are faults and the default stands. */
export function parsePerson(text: string): { person: Person; faults: PersonFault[] } {
  const faults: PersonFault[] = [];
  const given: string[] = [];
  const wears: Gear[] = [];
  let lead: Side = "left";
  let hand: Side = "right";
  let minor = false;
  let holds: Held | null = null;
  const measures: Record<"height" | "reach" | "mass", number | null> = {
    height: null,
    reach: null,
    mass: null,
  };
  let list: "wears" | "holds" | null = null;
  const items = text
    .toLowerCase()
    .split(",")
    .map((item) => item.trim().replace(/\s+/g, " "))
    .filter(Boolean);
  for (const item of items) {
    const fault = (code: string) => faults.push({ code, text: item });
    const measure = /^(height|reach|mass)\s+(\d+(?:\.\d+)?)\s*(cm|m|kg)?$/.exec(item);
    const side = /^(?:lead (left|right)|(left|right) handed)$/.exec(item);
    if (measure) {
      list = null;
      const key = measure[1] as "height" | "reach" | "mass";
      const value = Number(measure[2]) * (measure[3] === "m" ? 100 : 1);
      const [low, high] = BOUNDS[key];
      if (value < low || value > high) fault("body-bounds");
      else measures[key] = value;
      given.push(key);
    } else if (side) {
      list = null;
      if (side[1]) lead = side[1] as Side;
      else hand = side[2] as Side;
      given.push(side[1] ? "lead" : "hand");
    } else if (item === "minor") {
      list = null;
      minor = true;
      given.push("minor");
    } else {
      const start = /^(wears|holds)\s+(.*)$/.exec(item);
      if (start) list = start[1] as "wears" | "holds";
      const thing = start ? start[2]! : item;
      if (list === "holds") {
        const read = readHeld(thing);
        if (read === "unknown") {
          const worn = GEAR.find((g) => g === thing);
          if (worn && !start) wears.push(worn);
          else fault("held");
        } else holds = read;
        given.push("holds");
      } else if (list === "wears") {
        const worn = GEAR.find((g) => g === thing);
        if (worn) wears.push(worn);
        else if (thing !== "nothing") fault("worn");
        given.push("wears");
      } else fault("person");
    }
  }
  if (holds && wears.includes("mitts")) faults.push({ code: "hold-and-wear", text: "mitts" });
  if (holds && wears.includes("gloves")) faults.push({ code: "hold-and-wear", text: "gloves" });
  const person: Person = {
    lead,
    hand,
    height: (measures.height ?? 175) / 100,
    reach: measures.reach === null ? null : measures.reach / 100,
    mass: measures.mass,
    minor,
    holds,
    wears,
    given,
  };
  return { person, faults };
}

function readHeld(text: string): Held | null | "unknown" {
  if (text === "nothing") return null;
  const found =
    /^(?:(one|two|a)\s+)?(training (?:knife|knives)|kni(?:fe|ves)|sticks?)(?:\s+(\d+(?:\.\d+)?)\s*(cm|m)?)?$/.exec(
      text,
    );
  if (!found) return "unknown";
  const name = found[2]!;
  const kind: WeaponKind = name.startsWith("training") ? "training knife" : name.startsWith("kni") ? "knife" : "stick";
  const cm = found[3] === undefined ? null : Number(found[3]) * (found[4] === "m" ? 100 : 1);
  const [low, high] = BOUNDS.weapon;
  if (cm !== null && (cm < low || cm > high)) return "unknown";
  const length = cm === null ? USUAL_LENGTH[kind] : cm / 100;
  return { kind, length, count: found[1] === "two" ? 2 : 1 };
}
