/** Who may meet whom: the one place that says of two people whether they are partners, and whether in contact. */
import { MASS_RATIO, MASS_RATIO_MINORS } from "../policy/pair-weights.ts";
import { agesApart } from "./ages.ts";
import type { Person, Wish } from "./score.ts";

interface Meeting {
  /** They are no partners, and why. */
  readonly apart: string | null;
  /** They are partners without contact, and why. */
  readonly noContact: string | null;
  /** What was agreed that would be so otherwise. */
  readonly agreed: string | null;
}

const NO_CONTACT = "no contact";
const keepsOut = ({ limits }: Person): boolean => limits.some((one) => one.toLowerCase().includes(NO_CONTACT));

/** What is between two people; `wish`: what is wished of them. */
export function meetingOf(a: Person, b: Person, wish: Wish["kind"] | undefined): Meeting {
  const apart = apartFor(a, b, wish);
  const [withoutAgreement, always] = [byAge(a, b) ?? byMass(a, b), byLimits(a, b) ?? byUnknown(a, b)];
  const agreed = wish === "agreed" && withoutAgreement !== null ? withoutAgreement : null;
  return { apart, noContact: always ?? (agreed === null ? withoutAgreement : null), agreed };
}

function apartFor(a: Person, b: Person, wish: Wish["kind"] | undefined): string | null {
  if (wish === "apart") return "kept apart, as wished";
  if (agesApart(a.ages ?? null, b.ages ?? null)) return `${a.ages} and ${b.ages} years old: too far apart`;
  const ages = [a.age, b.age];
  if (ages.includes("unknown") && ages.includes("minor"))
    return "a minor, and nobody has said whether the other is of age";
  return null;
}

const byAge = (a: Person, b: Person): string | null =>
  a.age !== b.age && [a.age, b.age].every((age) => age !== "unknown") ? "a minor with an adult" : null;

/** Heavier by lighter, kg: a smaller gap as soon as one is not known to be of age. */
function byMass(a: Person, b: Person): string | null {
  if (a.mass === null || b.mass === null) return null;
  const most = a.age === "adult" && b.age === "adult" ? MASS_RATIO : MASS_RATIO_MINORS;
  return Math.max(a.mass, b.mass) / Math.min(a.mass, b.mass) > most ? "large weight gap" : null;
}

/** By their own limits: whoever leaves contact out, the injured and guests among them. */
function byLimits(a: Person, b: Person): string | null {
  const who = [a, b].filter(keepsOut);
  return who.length === 0 ? null : `${who.map(({ name }) => name).join(" and ")}: no contact`;
}

const byUnknown = (a: Person, b: Person): string | null =>
  [a.age, b.age].includes("unknown") ? "nobody has said whether they are of age" : null;
