/** Operators on pads: one blow more, a holder who swings back, and one who does so when they like. */
import { CHANGES } from "../change-words.ts";
import { TRADE } from "../../trade/trade.ts";
import { lineNumber } from "../../base/units.ts";
import { cueOf } from "../../exchange/cue.ts";
import { goesHigh, limbKind } from "../../exchange/blow.ts";
import type { CheckedExchange } from "../../exchange/types.ts";
import type { Checked } from "../../drill/types.ts";
import type { Actor, ScoreLine } from "../../score/types.ts";
import { lineText, notedBeat } from "../../score/format.ts";
import { headerRows, lineOf, single, turnOf, withLines, written } from "../../score/edit.ts";
import { linesOf } from "../../score/structure.ts";
import { slower, titled, type Operator } from "./shared.ts";

/** A row of pads: shown by one, hit by the other, nothing behind it. */
interface PadLine {
  readonly item: ScoreLine;
  readonly exchange: CheckedExchange;
  readonly holder: Actor;
  readonly hitter: Actor;
  readonly blows: readonly string[];
}

/** The rows of a drill that hold pads for the hands and nothing else. */
function padLines(checked: Checked): PadLine[] {
  return [...linesOf(checked.score.items)].flatMap((item): PadLine[] => {
    const [shown, hit, ...rest] = item.line.turns;
    const [cues, blows] = [single(shown), single(hit)];
    const of = checked.exchanges.filter((one) => one.row === item.row);
    const [exchange] = of;
    if (!cues || !blows || rest.length > 0 || of.length !== 1 || !exchange?.feed) return [];
    const pads = cueOf(exchange.feed) === "pad" && exchange.layers.every(({ use }) => limbKind(use) === "hand");
    const { feeder: holder, responder: hitter } = exchange;
    return pads ? [{ item, exchange, holder, hitter, blows: blows.beats.map(notedBeat) }] : [];
  });
}

/** The last blow that goes onto a pad, and whether the lead hand threw it. */
function lastBlow({ exchange }: PadLine): { readonly isLead: boolean } | null {
  const last = exchange.layers[exchange.layers.length - 1]?.use;
  // Behind a blow to the body another height comes in: that is a change of its own.
  if (!last || !goesHigh(last)) return null;
  return { isLead: (last.side ?? last.move.limb.split(" ")[0]) === "lead" };
}

/** Returns pad drills with one more blow. */
export const nextBlow: Operator = (checked) =>
  padLines(checked).flatMap((line) => {
    const last = lastBlow(line);
    const { next, most } = TRADE.pads;
    if (!last || line.blows.length !== line.exchange.layers.length || line.blows.length >= most) return [];
    const blow = last.isLead ? next.lead : next.rear;
    const [shown] = line.item.line.turns;
    const text = lineOf([
      turnOf(line.holder, single(shown)!.beats.map(notedBeat)),
      turnOf(line.hitter, [...line.blows, blow]),
    ]);
    return [
      {
        operator: "next-blow" as const,
        parameters: { row: lineNumber(line.item.row.index), blow },
        rows: withLines(checked.score, (one) => (one === line.item ? text : one.line), titled(checked, `and ${blow}`)),
        changed: CHANGES.nextBlow(line.blows, blow),
      },
    ];
  });

/** The row with the holder's swing behind it. */
const withSwing = ({ item, holder, hitter }: PadLine): string =>
  lineOf([lineText(item.line), turnOf(holder, [TRADE.pads.swing]), turnOf(hitter, [TRADE.pads.under])]);

/** Returns pad drills in which the holder swings back. */
export const swingBack: Operator = (checked) =>
  padLines(checked).map((line) => ({
    operator: "swing-back" as const,
    parameters: { row: lineNumber(line.item.row.index) },
    rows: withLines(checked.score, (one) => (one === line.item ? withSwing(line) : one.line), {
      ...titled(checked, "the holder swings back"),
      ...slower(checked),
    }),
    changed: CHANGES.swingBack(line.blows, TRADE.pads.under),
  }));

/** Returns pad drills in which the pad comes at any time. */
export const anyTime: Operator = (checked) => {
  const lines = padLines(checked);
  const [first] = lines;
  if (!first || lines.length !== checked.score.items.filter(({ kind }) => kind === "line").length) return [];
  const header = headerRows(checked.score, { ...titled(checked, "a swing at any time"), ...slower(checked) });
  return lines.map((line) => ({
    operator: "any-time" as const,
    parameters: { row: lineNumber(line.item.row.index) },
    rows: written(header, [
      `choose ${line.holder}:`,
      `  quiet: ${lineText(line.item.line)}`,
      `  swing: ${withSwing(line)}`,
      "end",
    ]),
    changed: CHANGES.anyTime(line.blows, TRADE.pads.under),
  }));
};
