/** The physical facts of a move as lines to read: what it does, how far, how long. */
import type { ByHeight, Mechanism, MoveData, Moved } from "./types.ts";

/** A fact of a move in words. */
export interface Fact {
  readonly name: string;
  readonly value: string;
}

/** Lengths in the data hold for a person of this height, m. */
const FACTS_HEIGHT = 1.75;

const cm = (m: number): string => `${Math.round(m * 100)} cm`;
const percent = (share: number): string => `${Math.round(share * 100)}%`;

function byHeight<T>(value: ByHeight<T>, word: (one: T) => string): string {
  if (typeof value !== "object" || value === null || Array.isArray(value)) return word(value as T);
  const all = Object.entries(value as Record<string, T>).map(([height, one]) => [height, word(one)] as const);
  if (new Set(all.map(([, text]) => text)).size === 1) return all[0]![1];
  return all.map(([height, text]) => `${height}: ${text}`).join("; ");
}

const hourWords = (hour: number): string =>
  `${Math.floor(hour) || 12}:${String(Math.round((hour % 1) * 60)).padStart(2, "0")}`;

const partsMoved = (moved: Moved, how: string): string =>
  Object.entries(moved)
    .map(([part, m]) => `${part} ${cm(Math.abs(m))} ${how}`)
    .join(", ");

const STANDS = {
  incoming: "on the side the attack comes to",
  lead: "on the lead side",
  rear: "on the rear side",
  both: "on both sides",
} as const;
const PUSH = { inward: "inward", outward: "outward", down: "down", up: "up" } as const;

function mechanismWords(m: Mechanism): string {
  switch (m.by) {
    case "displace":
      return [
        ...(m.side ? [partsMoved(m.side, "sideways")] : []),
        ...(m.drop ? [partsMoved(m.drop, "down")] : []),
        ...(m.back ? [partsMoved(m.back, "back")] : []),
        ...(m.feet?.back
          ? [
              m.feet.asFar
                ? `feet back as far as needed, ${cm(m.feet.asFar[0])} to ${cm(m.feet.asFar[1])}`
                : `feet ${cm(m.feet.back)} back`,
            ]
          : []),
        ...(m.feet?.side ? [`feet ${cm(m.feet.side)} aside`] : []),
        ...(m.feet?.forward ? [`feet up to ${cm(m.feet.forward)} forward`] : []),
        ...(m.turn ? [`the whole body turns ${m.turn}°`] : []),
        ...(m.leg ? [`the attacked leg ${cm(m.leg)} back`] : []),
      ].join(", ");
    case "interpose":
      return `${m.double ? "doubled " : ""}${m.limb} in the way, ${STANDS[m.stands]}${m.box ? ", put onto the line by sight" : ""}`;
    case "deflect":
      return `${m.limb} pushes it ${PUSH[m.push]}, by up to ${cm(m.limit)}`;
    case "pass":
      return `guides it past to the ${m.to}, with a step of ${cm(m.step)}`;
    case "jam":
      return "goes inside the swing before it has speed";
    case "seize":
      return `holds the ${m.part}`;
    case "cut":
      return "meets the arm that attacks with the weapon";
    case "energy":
      return m.keeps ? "gives way and keeps contact" : "gives way and lets go";
    case "none":
      return "nothing is done: it holds against a feint, and against what does not get there";
    case "deny":
      return `denies the entry, line ${m.line} of three`;
  }
}

/** Facts in the order in which an instructor asks: with what, how, where, how far, how long, what it costs. */
export function moveFacts(move: MoveData): Fact[] {
  const facts: Fact[] = [{ name: "With", value: move.limb }];
  const add = (name: string, value: string | undefined) => {
    if (value) facts.push({ name, value });
  };
  const { attack, energy } = move;
  if (move.needs && move.needs !== "empty") add("Holds", move.needs);
  if (attack) {
    add("Path", { thrust: "straight", arc: "round", shoot: "a shot at the legs or hips" }[attack.path]);
    if (attack.clock !== undefined)
      add("Comes from", `${byHeight(attack.clock, hourWords)} on the receiver’s clock (right limb)`);
    add("Goes to", byHeight(attack.target, String));
    if (attack.extension !== undefined)
      add("Reach", `${byHeight(attack.extension, percent)} of the arm and what it holds`);
    if (attack.reach !== undefined)
      add("Reach", `${percent(attack.reach)} of the height: ${cm(attack.reach * FACTS_HEIGHT)}`);
    if (attack.turn !== undefined)
      add(
        "Trunk turns",
        typeof attack.turn === "number" ? `${attack.turn}°` : `lead ${attack.turn.lead}°, rear ${attack.turn.rear}°`,
      );
    if (attack.step) add("Own step", `up to ${cm(attack.step)}`);
    if (attack.minGap) add("Needs room", `${cm(attack.minGap)} from centre to centre`);
    add("To contact", `${attack.contact} ms`);
    add("Back to guard", `${attack.recover} ms`);
    add("Commitment", percent(attack.commitment));
    if (attack.leaves) add("Weight after", attack.leaves === "same" ? "on the leg of that side" : "on the other leg");
    if (attack.overTurns) add("Afterwards", "turned too far: it needs a recover");
    add("A hit brings", attack.effect);
  }
  if (energy) {
    add("Touch on", energy.on);
    add("Felt after", `${energy.contact} ms`);
  }
  for (const [i, m] of (move.answer ?? []).entries()) add(i === 0 ? "Works by" : "and", mechanismWords(m));
  if (move.contact)
    add("Contact", `${move.contact.kind} on the ${move.contact.incoming ? "limb that came" : move.contact.on}`);
  if (move.move) add("Takes", `${move.move} ms`);
  if (move.requires) add("Only with", { forward: "a step in", lowered: "a level change" }[move.requires]);
  if (move.faces) add("Turns", "to whoever is behind");
  if (move.attack?.backwards) add("Reaches", "backwards too");
  if (move.goesDown) add("Afterwards", "low: it needs a recover");
  return facts;
}
