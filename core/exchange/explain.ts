/** Why an answer fails, in parameters for the words of the rules. */
import { needsWeapon } from "../words/vocabulary.ts";
import type { Blow, Feed, Layer } from "./types.ts";
import type { Answered } from "./layers.ts";
import { usesFeet } from "./move-body.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import type { DoneBeat } from "../read/types.ts";

/** The finding for an answer none of whose layers covers. */
export function explainFailure(feed: Feed, blow: Blow | null, beat: DoneBeat, answered: Answered): FindingDraft {
  const { best } = answered;
  const row = feed.row;
  const feedText = feed.use.text;
  const answer = beat.uses.map((use) => use.text).join(" + ");
  const onlyAttacks = beat.uses.length > 0 && beat.uses.every((use) => use.move.attack && !use.move.answer);
  if (!best) {
    if (onlyAttacks) return draft(row, beat, "no-answer", { code: "attack", feed: feedText });
    return draft(row, beat, "line-open", { code: blow ? "other" : "energy", answer, feed: feedText });
  }
  if (best.fails === "resisting")
    return draft(row, beat, "resisting", { move: best.use.text, feed: feedText, angle: best.detail.angle ?? "" });
  const material = answered.layers.find((layer) => layer.fails === "material");
  if (material)
    return draft(row, beat, "wrong-material", {
      limb: material.detail.limb ?? "hand",
      what: material.detail.what ?? "",
    });
  const { code, why = "", whyText = "" } = codeOf(best, blow);
  return draft(row, beat, "line-open", {
    answer,
    feed: feedText,
    cm: Math.max(1, Math.round(-best.margin * 100)),
    zone: zoneWords(best, blow),
    target: blow?.zone ?? "",
    code,
    why,
    whyText,
  });
}

/** Why it does not cover: a code for the words, and a sentence that goes with it. */
function codeOf(best: Layer, blow: Blow | null): { code: string; why?: string; whyText?: string } {
  if (best.fails === "companion")
    return { code: "deflect", whyText: `The ${best.use.text} needs ${best.detail.needs} in the same beat.` };
  switch (best.by) {
    case "displace":
      return { code: "displace", why: missedBy(best, blow) };
    case "interpose":
      return { code: "cover", why: leavesOpen(best, blow) };
    case "deny":
      if (best.detail.why === "both-legs") return { code: "both-legs" };
      return { code: blow?.path === "shoot" ? "deny" : "other" };
    case "energy":
      return { code: "energy" };
    case "none":
      return { code: "stay" };
    default:
      return {
        code: "deflect",
        whyText: DEFLECT_WHY[best.detail.why ?? ""] ?? `The ${best.use.text} does not get there.`,
      };
  }
}

/** Upward and sideward part of the direction of a blow that falls as it comes round. */
const FALLS = 0.3;

/** What would have got out of the way. */
function missedBy({ use, detail }: Layer, blow: Blow | null): string {
  const trunk = detail.zone === "chest" || detail.zone === "belly" || detail.zone === "hips";
  if (trunk && !usesFeet(use)) return "Moving the head does not save the body: step, or drop the elbow.";
  if (blow?.limb === "leg" && blow.path === "thrust" && detail.zone === "head")
    return "It comes up from below, and this goes down into it: go aside, or back.";
  if (!blow?.from) return "Move a little more, or step.";
  if (blow.from.w > FALLS && Math.abs(blow.from.u) > FALLS)
    return blow.weapon
      ? "It comes round and down: block it, or step back."
      : "It comes round and down: weave out from under it, step back, or cover.";
  return Math.abs(blow.from.u) > 0.7
    ? "It comes round: go under it, or back."
    : "It comes along that very line: go aside, or back.";
}

/** Where a cover leaves a way in. */
function leavesOpen({ use, detail }: Layer, blow: Blow | null): string {
  if (!blow) return "";
  if (detail.why === "across") return `The ${detail.hand} arm does not get across: use the ${blow.incoming} one.`;
  const other = detail.side !== undefined && detail.side !== blow.incoming && use.side !== null;
  const cover = needsWeapon(use.move) ? "block" : blow.limb === "leg" ? "lift the shin" : "cover";
  if (other) return `It comes to the ${blow.incoming}: ${cover} on that side.`;
  if (!blow.from && needsWeapon(use.move)) return "Put it across that line, or get off it.";
  if (!blow.from) return "That leaves the middle open: parry, catch, or get off the line.";
  return "It is not where that comes in: put it lower or higher, or move.";
}

const DEFLECT_WHY: Record<string, string> = {
  round: "A push from the side works on straight attacks; this one is round.",
  with: "This pushes the attack along its own way.",
  against: "This pushes straight against the attack.",
  place: "The hand is not where this attack passes.",
  far: "The arm behind the weapon is too far away to be pushed.",
  contact: "Hands in contact meet hands, not kicks and weapons.",
  arm: "There is no arm here to work on.",
  heel: "A kick that comes straight pushes away whoever steps in.",
  slow: "The counter lands after the attack does.",
  "far-hit": "The counter does not reach in time.",
  "round-hit": "Only a straight blow takes the line of an attack.",
  shot: "Hands alone do not stop a takedown entry.",
};

/** A zone as people say it: the left thigh. */
function zoneWords(best: Layer, blow: Blow | null): string {
  const zone = best.detail.zone ?? blow?.zone ?? "body";
  const [part, side] = zone.split(" ");
  return side ? `${side} ${part}` : zone;
}
