/** What a guard covers and what it leaves open, and what too much weight leaves open until somebody is back. */
import { draft, type FindingDraft } from "../findings/finding.ts";
import type { HitZone } from "../body/body.ts";
import type { BodyState } from "../body/state.ts";
import type { GuardData, GuardedPart } from "../score/postures.ts";
import { extraCommitment } from "./blow.ts";
import type { Blow, CheckedExchange, Feed } from "./types.ts";

const PARTS: readonly GuardedPart[] = ["head", "body", "leg"];

/** Returns the part of a body that a zone belongs to, as guards name it. */
export function guardedPart(zone: HitZone): GuardedPart {
  if (zone === "head" || zone === "neck") return "head";
  return zone === "chest" || zone === "belly" || zone === "hips" ? "body" : "leg";
}

/** Returns what a guard leaves open, as people say it: "body", "head and body"; null where it leaves nothing to name. */
export function openUnder({ opens }: GuardData): string | null {
  const named = PARTS.filter((part) => opens[part] === true);
  return named.length > 0 ? named.join(" and ") : null;
}

/** Returns what is to be said of a return that goes where the guard of the one it is sent to stands. */
export function intoGuard({ use, row }: Feed, blow: Blow, struck: BodyState, behind: CheckedExchange): FindingDraft[] {
  const { guard, actor } = struck;
  const open = openUnder(guard);
  const part = guardedPart(blow.zone);
  // The hand that has just struck guards nothing.
  const out = behind.blow?.limb === "hand" && behind.blow.side === blow.incoming;
  if (!open || guard.covers[part] !== true || out) return [];
  return [draft(row, use, "opening", { code: "guard", actor, guard: guard.names[0]!, move: use.text, part, open })];
}

/** Returns what is to be said where a row ends with a blow that somebody falls into, and nothing is sent back. */
export function leansIn({ feed, feeder, row, beat, returns, blow }: CheckedExchange): FindingDraft[] {
  if (!feed || !blow || feed.feint || extraCommitment(feed) <= 0) return [];
  if (returns.length > 0 || beat.length === 0 || beat.some((use) => use.move.attack)) return [];
  const code = blow.limb === "leg" ? "turned" : "leans";
  return [draft(row, feed, "opening", { code, actor: feeder, move: feed.text.replace("!", "") })];
}
