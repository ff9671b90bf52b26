/** Rules of the drill (no hands, no steps, touch first ...) tested against what each one does. */
import type { LineHeader, Rule } from "../score/header.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import type { Row } from "../score/types.ts";
import type { Side } from "../score/person.ts";
import type { MoveUse } from "../read/types.ts";
import type { BodyState } from "../body/state.ts";
import { limbKind, limbSide } from "./blow.ts";
import { usesFeet } from "./move-body.ts";

/**
 * Which of the actor's rules a use breaks, apart from resisting (which the energies decide). `incoming` is the side
 * that a blow comes from, where one is answered: it says which hand meets it.
 */
export function brokenRules(
  use: MoveUse,
  row: Row,
  state: BodyState,
  header: LineHeader,
  incoming: Side | null,
): FindingDraft[] {
  const rules = header.rules[state.actor];
  if (rules.size === 0) return [];
  const broken: Rule[] = [];
  const hand = limbKind(use) === "hand";
  if (rules.has("no hands") && hand) broken.push("no hands");
  if (rules.has("no steps") && usesFeet(use)) broken.push("no steps");
  if (rules.has("no strikes") && use.move.attack) broken.push("no strikes");
  if (rules.has("contact kept") && losesContact(use)) broken.push("contact kept");
  if (rules.has("touch first") && use.move.energy && !touching(state)) broken.push("touch first");
  if (hand && use.move.limb !== "both hands") {
    const lead = limbSide(use, state, incoming) === state.lead;
    const fixed = use.side !== null || incoming !== null || !use.move.limb.startsWith("incoming");
    if (fixed && rules.has("lead hand only") && !lead) broken.push("lead hand only");
    if (fixed && rules.has("rear hand only") && lead) broken.push("rear hand only");
  }
  const found = broken.map((rule) => draft(row, use, "rule-broken", { code: "rule", move: use.text, rule }));
  const lie = rules.has("touch first") && use.move.energy ? liesAbout(use, state) : null;
  if (lie)
    found.push(draft(row, use, "rule-broken", { code: "touch-lies", move: use.text, rule: "touch first", ...lie }));
  return found;
}

/** Where a push names its side, and the touch before it named the other one. */
function liesAbout({ target, on }: MoveUse, { holds }: BodyState): { touch: Side; push: Side } | null {
  const push = (target ?? on)?.side;
  if (push !== "left" && push !== "right") return null;
  const touches = [holds.left, holds.right].filter(
    (hold) => hold?.kind === "touch" && hold.sided && hold.limb === "body",
  );
  const [one] = touches;
  return one && touches.every((hold) => hold?.side !== push) ? { touch: one.side, push } : null;
}

function losesContact(use: MoveUse): boolean {
  if (use.move.contact?.kind === "clear") return true;
  return (use.move.answer ?? []).some(
    (m) =>
      (m.by === "energy" && !m.keeps) ||
      (m.by === "displace" && (m.feet?.back ?? 0) > 0.4 && !use.move.answer!.some((x) => x.by === "energy")),
  );
}

const touching = (state: BodyState): boolean => state.holds.left !== null || state.holds.right !== null;
