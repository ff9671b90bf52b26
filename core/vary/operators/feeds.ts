/** Operators on what is fed: another feed, a feint, a feed hidden in a combination, chance. */
import { artOf, isForeign, isOwnTo } from "../../trade/art.ts";
import { inOwnWords } from "../../trade/own-words.ts";
import { blowClass } from "../../trade/standards.ts";
import type { Blow } from "../../exchange/types.ts";
import type { ScoreItem } from "../../score/types.ts";
import { CHANGES } from "../change-words.ts";
import { saidFeed } from "../feed-name.ts";
import { needsWeapon } from "../../words/vocabulary.ts";
import { fromOtherSide, TRADE, USUAL_FEEDS } from "../../trade/trade.ts";
import { lineText } from "../../score/format.ts";
import { rangeOf } from "../../score/ranges.ts";
import { headerValue } from "../../score/structure.ts";
import type { Checked } from "../../drill/types.ts";
import { answerableFeeds, bestAnswer, framedBlow, type RankedAnswer } from "../../answers/answers.ts";
import { contextOf, headerRows, lineOf, turnOf, written } from "../../score/edit.ts";
import {
  differentLines,
  firstOf,
  plainLines,
  rebuilt,
  rowOf,
  simpleLines,
  slower,
  titled,
  withLine,
  type Candidate,
  type Operator,
} from "./shared.ts";

/** Other feeds offered for one answer. */
const FEEDS = 2;

/** Returns drills with another feed for the same answer. */
export const otherFeed: Operator = (checked, school) => {
  const context = contextOf(checked.score);
  return simpleLines(checked).flatMap((line) => {
    const { move } = line.exchange.feed!;
    if (line.feeder !== "A") return [];
    const isOwn = isOwnTo(checked);
    const had: (Blow | null)[] = [line.exchange.blow];
    const hand: HandIn = checked.header.people.A.wears.some((gear) => GLOVED.has(gear)) ? "glove" : "bare hand";
    return firstOf(
      answerableFeeds(context, line.answers[0]!, school),
      FEEDS,
      (feed) =>
        feed.move.group === move.group &&
        feed.move.id !== move.id &&
        (USUAL_FEEDS.has(feed.text) || isOwn(feed.move)) &&
        isOther(framedBlow(context, feed.text, school)?.blow ?? null, had, hand),
    ).map(({ text }) => ({
      operator: "other-feed" as const,
      parameters: { row: rowOf(line), feed: text },
      rows: withLine(checked, line, rebuilt(line, { feeds: [text] }), titled(checked, text)),
      changed: CHANGES.otherFeed(line.answers[0]!, text, line.feeds[0]!),
    }));
  });
};

/** Another blow of the same kind: not one of these under another name, nor one that wants other answers. Joins them. */
function isOther(other: Blow | null, had: (Blow | null)[], hand: HandIn): boolean {
  const now = had[0] ?? null;
  if (!other || !now) return other === now;
  if (other.path !== now.path || kindOf(other) !== kindOf(now) || !throwsIt(other, now, hand)) return false;
  if (had.some((one) => one && other.side === one.side && other.tool === one.tool && other.zone === one.zone))
    return false;
  had.push(other);
  return true;
}

type HandIn = "glove" | "bare hand";
const GLOVED: ReadonlySet<string> = new Set(["gloves", "mitts"]);

/** In a glove a fist stays a fist; fingers go to the eyes, and nobody is given them instead of something else. */
const throwsIt = (other: Blow, now: Blow, hand: HandIn): boolean =>
  other.tool === now.tool || (hand === "bare hand" && other.tool !== "fingers");
const kindOf = (blow: Blow): string => blowClass(blow).replace(/^(?:lead|rear) /, "");

const isCalled = (item: ScoreItem): boolean =>
  item.kind === "block" && item.head.type === "choose" && item.head.by === "call";

/** A feint before a blow: another line is shown first. */
export const feint: Operator = (checked, school) =>
  differentLines(checked).flatMap((line) => {
    const { move, feint: lured } = line.exchange.feed!;
    const { blow } = line.exchange;
    // What is called in advance can be feinted at nobody.
    if (line.item.label !== null && checked.score.items.some(isCalled)) return [];
    if (line.feeds.length !== 1 || !blow || blow.path === "shoot" || lured || rangeOf(line.item.line)) return [];
    const leads = blow.side === checked.header.people[line.feeder].lead;
    const armed = blow.weapon !== null || needsWeapon(move);
    const usual = armed
      ? (fromOtherSide(line.feeds[0]!) ?? TRADE.lures.weapon)
      : blow.limb === "hand" && leads
        ? TRADE.lures.leadHand
        : TRADE.lures.other;
    if (isForeign(usual, checked, school.vocabulary)) return [];
    const lure = inOwnWords(usual, checked.header.tradition, school.vocabulary);
    return [
      {
        operator: "feint" as const,
        parameters: { row: rowOf(line), feint: lure },
        rows: withLine(checked, line, rebuilt(line, { feeds: [`~${lure}`, ...line.feeds] }), {
          ...titled(checked, "after a feint"),
          ...slower(checked),
        }),
        changed: CHANGES.feint(lure, line.feeds[0]!),
      },
    ];
  });

/** The answerer starts a combination of their own; the feed comes out of its answer. */
export const hidden: Operator = (checked, school) =>
  simpleLines(checked).flatMap((line) => {
    // Who has been called, or stands bare before a blade, does not begin themselves.
    const { blow } = line.exchange;
    const bare = blow?.weapon && checked.header.people[line.responder].holds === null;
    if (checked.header.kind !== "feeder" || line.item.label !== null || bare) return [];
    const armed = checked.header.people[line.responder].holds !== null;
    // Who drills no blows of the hand begins with none.
    if (!armed && !artOf(checked).hands) return [];
    const start = inOwnWords(
      armed ? TRADE.openings.weapon : TRADE.openings.hands,
      checked.header.tradition,
      school.vocabulary,
    );
    const standing = (a: RankedAnswer) => !a.exchange.layers.some((l) => l.by === "displace");
    const best = bestAnswer(contextOf(checked.score), `${line.responder} ${start}`, school, standing);
    if (!best) return [];
    const turns = [
      turnOf(line.responder, [start]),
      turnOf(line.feeder, [best.text, ...line.feeds]),
      turnOf(line.responder, line.answers),
    ];
    return [
      {
        operator: "hidden-feed" as const,
        parameters: { row: rowOf(line) },
        rows: withLine(checked, line, lineOf(turns), { ...titled(checked, "hidden"), ...slower(checked) }),
        changed: CHANGES.hidden(line.responder, start, line.feeds[0]!),
      },
    ];
  });

/** What the feeder can still do after the answer is thrown as well, and answered. */
export const punish: Operator = (checked, school) =>
  simpleLines(checked).flatMap((line) => {
    const { kicks } = artOf(checked);
    const open = line.exchange.followUps.find((f) => f.state === "open" && (kicks || f.limb.endsWith("hand")));
    // What stays open after the first of several numbers need not after the others.
    if (!open || rangeOf(line.item.line)) return [];
    const best = bestAnswer(contextOf(checked.score), `${line.feeder} ${open.move}`, school);
    if (!best) return [];
    const [first, ...after] = line.answers;
    return [
      {
        operator: "punish" as const,
        parameters: { row: rowOf(line), feed: open.move },
        rows: withLine(
          checked,
          line,
          rebuilt(line, { feeds: [...line.feeds, open.move], answers: [first!, best.text, ...after] }),
          { ...titled(checked, `then the ${open.move}`), ...slower(checked) },
        ),
        changed: CHANGES.punish(
          line.feeds[0]!,
          inOwnWords(open.move, checked.header.tradition, school.vocabulary),
          best.text,
        ),
      },
    ];
  });

const NAMES = ["one", "two", "three", "four", "five", "six", "seven", "eight"];
const MOST = NAMES.length;

/**
 * Lines of one and the same feeder as a choice of 2 to n; who chooses is said in the head of the block.
 * Where there is such a choice already it takes in more lines.
 */
function choice(checked: Checked, by: "A" | "call"): Candidate[] {
  const blocks = checked.score.items.filter((item) => item.kind === "block");
  const [block] = blocks;
  const lines = plainLines(checked);
  const feeder = lines[0]?.feeder;
  const called = by === "call";
  const head = called ? "call" : feeder;
  if (blocks.length > 1 || lines.some((l) => l.feeder !== feeder)) return [];
  // A call says when it comes: that is no longer free.
  if (called && headerValue(checked.score, "cadence") === "free") return [];
  if (block && (block.head.type !== "choose" || block.head.by !== head)) return [];
  const inside = new Set<unknown>(block?.items);
  const order = [...lines.filter((l) => inside.has(l.item)), ...lines.filter((l) => !inside.has(l.item))];
  const header = headerRows(checked.score, {
    ...titled(checked, called ? "called" : "feeder chooses"),
    ...(block ? {} : slower(checked)),
  });
  const found: Candidate[] = [];
  for (let count = Math.max(2, inside.size + 1); count <= Math.min(order.length, MOST); count++) {
    const among = order.slice(0, count);
    if (new Set(among.map((l) => l.feeds.join())).size < count) continue;
    // What begins alike is answered alike as long as it is alike: nobody could know.
    if (among.some((l) => among.some((m) => l.feeds[0] === m.feeds[0] && l.answers[0] !== m.answers[0]))) continue;
    const rows = among.map((l, i) => `  ${NAMES[i]!}: ${lineText(l.item.line)}`);
    const rest = order.slice(count).map((l) => lineText(l.item.line));
    found.push({
      operator: called ? "calls" : "feeders-choice",
      parameters: { count },
      rows: written(header, [`choose ${head}:`, ...rows, "end", ...rest]),
      changed: (called ? CHANGES.called : CHANGES.picks)(among.map((l) => saidFeed(l.item, checked))),
    });
  }
  return found;
}
/** Returns drills in which the feeder chooses. */
export const feedersChoice: Operator = (checked) => choice(checked, "A");
/** Returns drills in which a line is called. */
export const calls: Operator = (checked) => choice(checked, "call");
