/** Operators on what is fed: another feed, a feint, a feed hidden in a combination, chance. */
import { needsWeapon } from "../../words/vocabulary.ts";
import { fromOtherSide, TRADE } from "../../trade/trade.ts";
import { lineText } from "../../score/format.ts";
import { rangeOf } from "../../score/ranges.ts";
import { headerValue } from "../../score/structure.ts";
import type { Checked } from "../../drill/types.ts";
import { answerableFeeds, bestAnswer, type RankedAnswer } from "../../answers/answers.ts";
import { contextOf, headerRows, lineOf, turnOf, written } from "../../score/edit.ts";
import {
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

export const otherFeed: Operator = (checked, school) => {
  const context = contextOf(checked.score);
  return simpleLines(checked).flatMap((line) => {
    const { move } = line.exchange.feed!;
    if (line.feeder !== "A") return [];
    return answerableFeeds(context, line.answers[0]!, school)
      .filter((feed) => feed.move.group === move.group && feed.move.id !== move.id)
      .slice(0, FEEDS)
      .map(({ text }) => ({
        operator: "other-feed" as const,
        parameters: { row: rowOf(line), feed: text },
        rows: withLine(checked, line, rebuilt(line, { feeds: [text] }), titled(checked, text)),
        changed: `The ${line.answers[0]!} against another feed: ${text} instead of ${line.feeds[0]!}`,
      }));
  });
};

/** A feint before a blow: another line is shown first. */
export const feint: Operator = (checked) =>
  plainLines(checked).flatMap((line) => {
    const { move, feint: lured } = line.exchange.feed!;
    const { blow } = line.exchange;
    if (line.feeds.length !== 1 || !blow || blow.path === "shoot" || lured || rangeOf(line.item.line)) return [];
    const leads = blow.side === checked.header.people[line.feeder].lead;
    const armed = blow.weapon !== null || needsWeapon(move);
    const lure = armed
      ? (fromOtherSide(line.feeds[0]!) ?? TRADE.lures.weapon)
      : blow.limb === "hand" && leads
        ? TRADE.lures.leadHand
        : TRADE.lures.other;
    return [
      {
        operator: "feint" as const,
        parameters: { row: rowOf(line), feint: lure },
        rows: withLine(checked, line, rebuilt(line, { feeds: [`~${lure}`, ...line.feeds] }), {
          ...titled(checked, "after a feint"),
          ...slower(checked),
        }),
        changed: `A feint goes before: the ${lure} is shown, the ${line.feeds[0]!} comes`,
      },
    ];
  });

/** The answerer starts a combination of their own; the feed comes out of its answer. */
export const hidden: Operator = (checked, school) =>
  simpleLines(checked).flatMap((line) => {
    if (checked.header.kind !== "feeder") return [];
    const armed = checked.header.people[line.responder].holds !== null;
    const start = armed ? TRADE.openings.weapon : TRADE.openings.hands;
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
        changed: `The ${line.feeds[0]!} comes out of ${line.responder}’s own attack: ${start}, answered by ${best.text}, then the feed`,
      },
    ];
  });

/** What the feeder can still do after the answer is thrown as well, and answered. */
export const punish: Operator = (checked, school) =>
  simpleLines(checked).flatMap((line) => {
    const open = line.exchange.followUps.find((f) => f.state === "open");
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
        changed: `The feeder uses what stays open: after the ${line.feeds[0]!} the ${open.move}, answered by ${best.text}`,
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
    const rows = among.map((l, i) => `  ${NAMES[i]!}: ${lineText(l.item.line)}`);
    const rest = order.slice(count).map((l) => lineText(l.item.line));
    found.push({
      operator: called ? "calls" : "feeders-choice",
      parameters: { count },
      rows: written(header, [`choose ${head}:`, ...rows, "end", ...rest]),
      changed: block
        ? `More to choose from: ${count} instead of ${inside.size}`
        : called
          ? `The coach calls which of ${count} comes`
          : `The feeder chooses which of ${count} comes, and does not say`,
    });
  }
  return found;
}
export const feedersChoice: Operator = (checked) => choice(checked, "A");
export const calls: Operator = (checked) => choice(checked, "call");
