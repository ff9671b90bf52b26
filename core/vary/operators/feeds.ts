/** Operators on what is fed: another feed, a feint, a feed hidden in a combination, chance. */
import { lineText } from "../../score/format.ts";
import type { Checked } from "../../check/types.ts";
import { checkSingle, readAnswer } from "../../check/single.ts";
import { rankAnswers, rankFeeds } from "../answers.ts";
import { headerRows } from "../edit.ts";
import {
  plainLines,
  rebuilt,
  slower,
  titled,
  turnOf,
  withLine,
  type Candidate,
  type Operator,
  type PlainLine,
} from "./shared.ts";

const row = (line: PlainLine): number => line.item.row.index + 1;
/** Other feeds offered for one answer. */
const FEEDS = 2;

export const otherFeed: Operator = (checked, school) => {
  const context = headerRows(checked.score);
  const feeds = rankFeeds(context, school);
  return plainLines(checked).flatMap((line) => {
    if (line.feeds.length !== 1 || line.rest.length > 0) return [];
    const group = line.exchange.feed!.move.group;
    const found: Candidate[] = [];
    for (const { text, move, fed } of line.feeder === "A" ? feeds : []) {
      if (move.group !== group || move.id === line.exchange.feed!.move.id) continue;
      const beat = readAnswer(fed, line.answers[0]!, school);
      if (!beat || checkSingle(fed, beat).verdict !== "valid") continue;
      found.push({
        operator: "other-feed",
        parameters: { row: row(line), feed: text },
        text: withLine(checked, line, rebuilt(line, { feeds: [text] }), titled(checked, text)),
        changed: `The ${line.answers[0]!} against another feed: ${text} instead of ${line.feeds[0]!}`,
      });
      if (found.length === FEEDS) break;
    }
    return found;
  });
};

/** A feint of the other hand before a blow. */
export const feint: Operator = (checked) =>
  plainLines(checked).flatMap((line) => {
    const { move } = line.exchange.feed!;
    if (line.feeds.length !== 1 || !move.attack || move.attack.path === "shoot" || line.feeds[0]!.includes("~"))
      return [];
    const hand = move.limb.endsWith("hand") && !move.needs;
    const lure = hand ? (/^(lead|jab)/.test(line.feeds[0]!) ? "cross" : "jab") : line.feeds[0]!;
    return [
      {
        operator: "feint" as const,
        parameters: { row: row(line), feint: lure },
        text: withLine(checked, line, rebuilt(line, { feeds: [`~${lure}`, ...line.feeds] }), {
          ...titled(checked, "after a feint"),
          ...slower(checked),
        }),
        changed: `A feint goes before: the ${lure} is shown, the ${line.feeds[0]!} comes`,
      },
    ];
  });

/** The answerer starts a combination of his own; the feed comes out of its answer. */
export const hidden: Operator = (checked, school) =>
  plainLines(checked).flatMap((line) => {
    if (line.feeds.length !== 1 || line.rest.length > 0 || checked.header.kind !== "feeder") return [];
    const armed = checked.header.people[line.responder].holds !== null;
    const start = armed ? "forehand high" : "jab";
    const best = rankAnswers(headerRows(checked.score), `${line.responder} ${start}`, school, 12).find(
      (a) => a.exchange.verdict === "valid" && !a.exchange.layers.some((l) => l.by === "displace"),
    );
    if (!best) return [];
    const turns = [
      turnOf(line.responder, [start], line.item.line.turns[0]!),
      turnOf(line.feeder, [best.text, ...line.feeds], line.item.line.turns[1]!),
      turnOf(line.responder, line.answers, line.item.line.turns[1]!),
    ];
    return [
      {
        operator: "hidden-feed" as const,
        parameters: { row: row(line) },
        text: withLine(
          checked,
          line,
          { ...line.item.line, turns },
          { ...titled(checked, "hidden"), ...slower(checked) },
        ),
        changed: `The ${line.feeds[0]!} comes out of ${line.responder}’s own attack: ${start}, answered by ${best.text}, then the feed`,
      },
    ];
  });

/** What the feeder can still do after the answer is thrown as well, and answered. */
export const punish: Operator = (checked, school) =>
  plainLines(checked).flatMap((line) => {
    if (line.feeds.length !== 1 || line.rest.length > 0) return [];
    const open = line.exchange.followUps.find((f) => f.state === "open");
    if (!open) return [];
    const best = rankAnswers(headerRows(checked.score), `${line.feeder} ${open.move}`, school, 12).find(
      (a) => a.exchange.verdict === "valid",
    );
    if (!best) return [];
    const [first, ...after] = line.answers;
    return [
      {
        operator: "punish" as const,
        parameters: { row: row(line), feed: open.move },
        text: withLine(
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

/** Lines of one and the same feeder as a choice; who chooses is said in the head of the block. */
function choice(checked: Checked, by: "A" | "call"): Candidate[] {
  const lines = plainLines(checked);
  if (lines.length < 2 || lines.length !== new Set(lines.map((l) => l.feeds.join())).size) return [];
  const feeder = lines[0]!.feeder;
  if (lines.some((l) => l.feeder !== feeder) || checked.score.items.some((i) => i.kind === "block")) return [];
  if (lines.length > MOST) return [];
  return [lines.length].map((count) => {
    const rows = lines.map((l, i) => `  ${NAMES[i]!}: ${lineText(l.item.line)}`);
    const who = by === "call" ? "call" : feeder;
    const header = headerRows(checked.score, {
      ...titled(checked, by === "call" ? "called" : "feeder chooses"),
      ...slower(checked),
    });
    return {
      operator: by === "call" ? ("calls" as const) : ("feeders-choice" as const),
      parameters: { count },
      text: `${[...header, "", `choose ${who}:`, ...rows, "end"].join("\n")}\n`,
      changed:
        by === "call"
          ? `The coach calls which of ${count} comes`
          : `The feeder chooses which of ${count} comes, and does not say`,
    };
  });
}
export const feedersChoice: Operator = (checked) => choice(checked, "A");
export const calls: Operator = (checked) => choice(checked, "call");
