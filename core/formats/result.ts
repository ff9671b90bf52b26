/** A checked score as the JSON that `bin/vicissor check --json` writes; the shape is in docs/notation.md. */
import { lineNumber } from "../base/units.ts";
import type { Repair } from "../answers/repairs.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import type { Checked } from "../drill/types.ts";
import type { CheckedGame } from "../drill/game-types.ts";
import { drillCautions } from "../class/drill-cautions.ts";
import { countExchanges } from "../drill/exchange-count.ts";
import { layerViews } from "./layer-view.ts";
import { summaryOf, type Summary } from "./summary.ts";
import { finish, type Finding } from "../findings/finding.ts";

const cm = (metres: number): number => Math.round(metres * 1000) / 10;
const share = (x: number): number => Math.round(x * 100) / 100;
const brief = ({ rule, severity, message, line, column }: Finding) => ({ rule, severity, message, line, column });
const summaryJson = ({ exchanges, broken, risky, load, ceiling }: Summary) => ({
  exchanges,
  broken,
  risky,
  load,
  ceiling: ceiling === null ? null : share(ceiling),
});

/** Of a row that shows how it goes wrong. */
const wrongJson = (e: CheckedExchange) => ({ ...exchangeJson(e), wrong: true });

function exchangeJson(e: CheckedExchange) {
  return {
    line: lineNumber(e.row.index),
    column: e.from + 1,
    label: e.label,
    pass: e.pass,
    // Alone the row is one thing: its words.
    feed: e.feeder === e.responder ? e.feedText : (e.feed?.move.name ?? e.feedText),
    feeder: e.feeder,
    answer: e.answer.map((use) => use.move.name),
    responder: e.responder,
    verdict: e.verdict,
    margin_cm: e.margin === null ? null : cm(e.margin),
    robust: share(e.robust),
    ceiling: e.ceiling === null ? null : share(e.ceiling),
    layers: layerViews(e).map(({ layer, part, marginCm }) => ({
      move: layer.use.move.name,
      by: layer.by,
      part,
      margin_cm: marginCm,
    })),
    findings: e.findings.map((f) => brief(finish(f))),
    followups: e.followUps,
    ...(e.lands ? { lands: true } : {}),
    ...(e.anyTime ? { any_time: true, hardest: hardestOf(e.anyTime) } : {}),
  };
}

/** Where what may come at any time is hardest to answer. */
const hardestOf = ({ after, row }: NonNullable<CheckedExchange["anyTime"]>) => ({
  line: row && lineNumber(row.index),
  after,
});

/** Returns a game as others read it. */
function gameJson({ game, verdict, holes, fairness, evener }: CheckedGame) {
  const slower = evener !== null && evener !== "two options" ? `slower: ${Math.round(evener.slower * 100)}%` : evener;
  return {
    name: game.name,
    verdict,
    holes: holes.map(({ option, responder }) => ({
      line: lineNumber(option.row.index),
      column: option.from + 1,
      feed: option.text,
      responder,
    })),
    fairness,
    evener: slower,
  };
}

/** Rows first: passes of a block and alternatives stay in the order in which they were checked. */
const placeOf = ({ row }: CheckedExchange): number => row.index;

/** The result object of one score; with `mend` each finding has its repairs, by label and whole new text. */
export function resultJson(checked: Checked, mend: ((finding: Finding) => readonly Repair[]) | null = null) {
  const { of } = countExchanges(checked);
  return {
    verdict: checked.verdict,
    summary: summaryJson(summaryOf(checked)),
    cautions: drillCautions(checked),
    exchanges: [
      ...checked.exchanges.map((e) => ({ at: placeOf(e), json: exchangeJson(e) })),
      ...checked.wrong.map((e) => ({ at: placeOf(e), json: wrongJson(e) })),
    ]
      .sort((a, b) => a.at - b.at)
      .map(({ json }) => json),
    ...(checked.games.length > 0 ? { games: checked.games.map(gameJson) } : {}),
    findings: checked.findings.map((f) => ({
      ...brief(f),
      exchange: of(f),
      ...(mend ? { repairs: mend(f).map(({ label, score }) => ({ label, score })) } : {}),
    })),
    closure: checked.closure && { closes: checked.closure.closes, differences: checked.closure.differences },
    load: checked.load,
  };
}
