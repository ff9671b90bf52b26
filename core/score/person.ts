/** The row of a person in the header: `A: lead left, height 178, holds stick 71 cm, wears gloves`. */
import { metres, type Metres } from "../base/units.ts";
import { centimetres } from "./lengths.ts";
import { guardNamed, stanceNamed, USUAL_GUARD, USUAL_STANCE } from "./postures.ts";

/** A side of a body. */
export type Side = "left" | "right";
/** Returns the other side. */
export const otherSide = (side: Side): Side => (side === "left" ? "right" : "left");

/** A kind of weapon. */
export type WeaponKind = "stick" | "training knife" | "knife";
const GEAR = [
  "mitts",
  "gloves",
  "eye protection",
  "headgear",
  "caged headgear",
  "mouthguard",
  "groin guard",
  "shin guards",
  "belly pad",
  "kick shield",
  "kick pads",
] as const;
/** A piece of gear that can be worn. */
export type Gear = (typeof GEAR)[number];
/** Gear by other names that are heard in clubs. Common practice, no source. */
const SAME_GEAR: Readonly<Record<string, Gear>> = {
  "focus mitts": "mitts",
  "focus pads": "mitts",
  "hand pads": "mitts",
  "thai pads": "kick pads",
  pads: "mitts",
  "boxing gloves": "gloves",
  "small gloves": "gloves",
  goggles: "eye protection",
  helmet: "headgear",
  "head guard": "headgear",
  "mouth guard": "mouthguard",
  gumshield: "mouthguard",
  cup: "groin guard",
  "shin pads": "shin guards",
  "belly guard": "belly pad",
  "body shield": "belly pad",
  shield: "kick shield",
};
/** Gear that somebody else can hit. */
export const PADS: ReadonlySet<Gear> = new Set(["mitts", "belly pad", "kick shield", "kick pads"]);

/** A weapon in the hand; length in m. */
export interface Held {
  readonly kind: WeaponKind;
  /** Length in metres. */
  readonly length: number;
  readonly count: 1 | 2;
  /** What the other hand holds, where that is another tool than the first. */
  readonly off?: Omit<Held, "count" | "off">;
}

/** One person as the header (or the school's list of people) describes them. Lengths in m, mass in kg. */
export interface Person {
  readonly lead: Side;
  readonly hand: Side;
  readonly height: Metres;
  /** Own arm span, fingertip to fingertip; null: taken equal to the height. */
  readonly reach: Metres | null;
  readonly mass: number | null;
  readonly minor: boolean;
  /** They are touched close only as they ask for it. */
  readonly noCloseTouch: boolean;
  readonly holds: Held | null;
  readonly wears: readonly Gear[];
  /** The hand that one mitt is worn on; null where both hands wear one, or none. */
  readonly padOn: Side | null;
  /** The stance and the guard that they begin in, by a name of `postures.json`. */
  readonly stance: string;
  readonly guard: string;
  /** The attributes that were written, so that a pair's own measures can fill the others. */
  readonly given: readonly string[];
}

interface PersonFault {
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
  const reader = new PersonReader();
  const items = text.toLowerCase().split(",");
  for (const item of items.map((one) => one.trim().replace(/\s+/g, " ")).filter(Boolean)) reader.read(item);
  return reader.finish();
}

/** What has been read of a person's row so far. */
class PersonReader {
  private readonly faults: PersonFault[] = [];
  private readonly given: string[] = [];
  private readonly wears: Gear[] = [];
  private padOn: Side | null = null;
  private readonly measures: Record<"height" | "reach" | "mass", number | null> = {
    height: null,
    reach: null,
    mass: null,
  };
  private lead: Side = "left";
  private hand: Side = "right";
  private minor = false;
  private noCloseTouch = false;
  private holds: Held | null = null;
  private stance = USUAL_STANCE.names[0]!;
  private guard = USUAL_GUARD.names[0]!;
  /** The list that a thing belongs to which names none itself. */
  private list: "wears" | "holds" | null = null;

  /** One attribute, or one thing more of a list. */
  read(item: string): void {
    if (item === "no close touch") {
      this.noCloseTouch = true;
      this.list = null;
      return void this.given.push("noCloseTouch");
    }
    if (this.posture(item)) return;
    const measure = /^(height|reach|mass)\s+(.+)$/.exec(item);
    const side = /^(?:lead (left|right)|(left|right) handed)$/.exec(item);
    const value = measure && measured(measure[1]!, measure[2]!);
    if ((value === null || !measure) && !side && item !== "minor") return this.thing(item);
    this.list = null;
    if (measure) this.measure(item, measure[1]!, value!);
    else if (side?.[1]) this.lead = side[1] as Side;
    else if (side) this.hand = side[2] as Side;
    else this.minor = true;
    this.given.push(measure?.[1] ?? (side ? (side[1] ? "lead" : "hand") : "minor"));
  }

  /** How they stand or hold their hands; says whether it was that. */
  private posture(item: string): boolean {
    const found = /^(stance|guard)\s+(.+)$/.exec(item);
    if (!found) return false;
    const of = found[1] as "stance" | "guard";
    const known = of === "stance" ? stanceNamed(found[2]!) : guardNamed(found[2]!);
    if (known) this[of] = known.names[0]!;
    else this.faults.push({ code: of, text: found[2]! });
    this.list = null;
    this.given.push(of);
    return true;
  }

  private measure(item: string, name: string, value: number): void {
    const key = name as "height" | "reach" | "mass";
    const [low, high] = BOUNDS[key];
    if (value < low || value > high) this.faults.push({ code: "body-bounds", text: item });
    else this.measures[key] = value;
  }

  private thing(item: string): void {
    const start = /^(wears|holds)\s+(.*)$/.exec(item);
    if (start) this.list = start[1] as "wears" | "holds";
    if (this.list === null) return void this.faults.push({ code: "person", text: item });
    this.given.push(this.list);
    const thing = start ? start[2]! : item;
    // One mitt is worn on a side.
    const mitt = /^mitts? (left|right)$/.exec(thing);
    if (mitt) this.padOn = mitt[1] as Side;
    const bare = mitt ? "mitts" : thing;
    const worn = GEAR.find((g) => g === bare) ?? SAME_GEAR[bare];
    if (this.list === "wears") {
      if (worn) this.wears.push(worn);
      else if (thing !== "nothing") this.faults.push({ code: "worn", text: item });
      return;
    }
    const read = readHeld(thing);
    if (read !== "unknown") this.holds = read;
    // Gear behind what is held is worn all the same.
    else if (worn && !start) this.wears.push(worn);
    else this.faults.push({ code: "held", text: item });
  }

  finish(): { person: Person; faults: PersonFault[] } {
    const { faults, measures, lead, hand, minor, noCloseTouch, holds, wears, padOn, stance, guard, given } = this;
    for (const text of ["mitts", "gloves"] as const)
      if (holds && wears.includes(text)) faults.push({ code: "hold-and-wear", text });
    const { height, reach, mass } = measures;
    return {
      person: {
        lead,
        hand,
        height: metres((height ?? 175) / 100),
        reach: reach === null ? null : metres(reach / 100),
        mass,
        minor,
        noCloseTouch,
        holds,
        wears,
        padOn,
        stance,
        guard,
        given,
      },
      faults,
    };
  }
}

/** A length in cm or a mass in kg; null where the text is neither. */
function measured(name: string, text: string): number | null {
  if (name !== "mass") return centimetres(text);
  const kg = /^(\d+(?:\.\d+)?)\s*(?:kg)?$/.exec(text);
  return kg ? Number(kg[1]) : null;
}

/** Sticks by other names, with their usual lengths, m. Common practice, no source. */
const STICKS: Readonly<Record<string, number>> = {
  cane: 0.9,
  baton: 0.53,
  "wooden sword": 1,
  sword: 1,
  bokken: 1,
  jo: 1.28,
  bo: 1.8,
  staff: 1.8,
};

function readHeld(text: string): Held | null | "unknown" {
  if (text === "nothing") return null;
  const [first, second] = text.split(/ and (?:an? )?/);
  if (!first || !second) return readTool(text);
  // Beside a stick the knife is the training one, as it is wherever people train together.
  const one = readTool(first);
  const two = readTool(second.replace(/^(?:knife|dagger)/, "training knife"));
  if (one === "unknown" || two === "unknown" || one.count !== 1 || two.count !== 1) return "unknown";
  return { ...one, count: 2, off: { kind: two.kind, length: two.length } };
}

/** One thing that a hand holds, or two of a kind. */
function readTool(text: string): Held | "unknown" {
  const found =
    /^(?:(one|two|a)\s+)?(training (?:knife|knives)|kni(?:fe|ves)|sticks?|[a-z]+(?: sword)?)(?:\s+(.+))?$/.exec(text);
  const name = found?.[2] ?? "";
  const stick = /^sticks?$/.test(name) ? USUAL_LENGTH.stick : STICKS[name];
  const blade = name.startsWith("training kni") ? "training knife" : /^kni(?:fe|ves)$/.test(name) ? "knife" : null;
  const kind: WeaponKind | null = blade ?? (stick === undefined ? null : "stick");
  const cm = found?.[3] === undefined ? null : centimetres(found[3]);
  if (!found || !kind || (found[3] !== undefined && cm === null)) return "unknown";
  const [low, high] = BOUNDS.weapon;
  if (cm !== null && (cm < low || cm > high)) return "unknown";
  const length = cm === null ? (stick ?? USUAL_LENGTH[kind]) : cm / 100;
  return { kind, length, count: found[1] === "two" ? 2 : 1 };
}
