/** How far apart two stand, said in what they can measure with their own arm and feet. Common practice, no source. */
import { SEGMENTS } from "../body/anthropometry.ts";
import { bodyOf } from "../body/body.ts";
import type { Person } from "../score/person.ts";

/** Trunk of somebody in a stance: turned by about so much, so that the lead shoulder is in front, deg. */
const TURNED = 20;
/** To the knuckles, half of the hand; share of the length to the finger tips. */
const KNUCKLES =
  (SEGMENTS.upperArm + SEGMENTS.forearm + SEGMENTS.hand / 2) / (SEGMENTS.upperArm + SEGMENTS.forearm + SEGMENTS.hand);
/** With the elbow at the own ribs only the forearm and the fist are in front; share of the arm's length. */
const BENT = 0.5;
/** What stays behind the fist of a weapon, m. */
const BEHIND_FIST = 0.1;
/** A usual step in a stance for 1.75 m, m. */
const STEP = 0.6;
/** Who is nearer than a mark by more than this is not at it, m. */
const ON_IT = 0.15;

const forward = ({ halfShoulders }: { readonly halfShoulders: number }): number =>
  halfShoulders * Math.sin((TURNED * Math.PI) / 180);

/** Steps beyond the mark, as one says it. */
function stepsText(beyond: number, scale: number): string {
  const halves = Math.round((beyond / (STEP * scale)) * 2);
  if (halves <= 0) return "";
  if (halves === 1) return " plus half a step";
  const whole = Math.floor(halves / 2);
  const steps = whole === 1 ? "a step" : `${whole} steps`;
  return ` and ${steps}${halves % 2 === 1 ? " and a half" : ""}`;
}

/**
 * The distance of two people, `metres` between the middles of their stances, as the first measures it with the lead
 * arm (or the weapon) on the other's shoulder: `glove to shoulder plus half a step`.
 */
export function apartInWords(metres: number, from: Person, to: Person): string {
  const body = bodyOf(from);
  const other = bodyOf(to);
  const shoulder = metres - forward(body) - forward(other);
  const fist = from.wears.includes("gloves") || from.wears.includes("mitts") ? "glove" : "fist";
  const straight = KNUCKLES * body.arm;
  const marks = [
    { at: 0, text: "chest to chest" },
    { at: BENT * body.arm, text: `${fist} to shoulder, elbow at the ribs` },
    { at: (BENT * body.arm + straight) / 2, text: `${fist} to shoulder, arm half bent` },
    { at: straight, text: `${fist} to shoulder` },
    ...(from.holds
      ? [
          {
            at: straight + Math.max(0, from.holds.length - BEHIND_FIST),
            text: `tip of the ${from.holds.kind} to shoulder`,
          },
        ]
      : []),
  ];
  const near = marks.filter(({ at }) => at <= shoulder + ON_IT);
  const mark = near.sort((one, two) => Math.abs(one.at - shoulder) - Math.abs(two.at - shoulder))[0] ?? marks[0]!;
  const beyond = shoulder - mark.at;
  // Between two marks of a bent arm there is no step.
  const last = mark.at >= straight;
  return `${mark.text}${last ? stepsText(beyond, body.scale) : ""}`;
}
