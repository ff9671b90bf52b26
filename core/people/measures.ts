/** What the checker needs to know of a person, from what the school has measured. */
import { metres } from "../base/units.ts";
import type { Bodies } from "../drill/check.ts";
import type { Age, Ages } from "../pairs/ages.ts";
import type { Person as PairPerson } from "../pairs/score.ts";

/** Height, reach and mass of a person, cm and kg. */
export interface Measured {
  readonly id: string;
  readonly name: string;
  readonly height_cm: number | null;
  readonly reach_cm: number | null;
  readonly mass_kg: number | null;
  readonly lead: "left" | "right";
  readonly hand: "left" | "right";
}

/** Somebody on the day of a class. */
export interface MeasuredOnDay extends Measured {
  readonly age: Age;
  /** Of a minor, where it is known. */
  readonly ages: Ages | null;
}

/** A person as the pairing sees them: lengths in m. */
export const pairPerson = (p: MeasuredOnDay, level: number, limits: readonly string[]): PairPerson => ({
  id: p.id,
  name: p.name,
  height: p.height_cm === null ? null : p.height_cm / 100,
  mass: p.mass_kg,
  age: p.age,
  ages: p.ages,
  lead: p.lead,
  level,
  limits,
});

/** Measures in m and kg; one that was never taken leaves the drill's own. */
export const measuresOf = (p: Measured & { readonly age?: Age }): NonNullable<Bodies["A"]> => ({
  ...(p.height_cm === null ? {} : { height: metres(p.height_cm / 100) }),
  ...(p.reach_cm === null ? {} : { reach: metres(p.reach_cm / 100) }),
  ...(p.mass_kg === null ? {} : { mass: p.mass_kg }),
  lead: p.lead,
  hand: p.hand,
  minor: p.age === "minor",
});
