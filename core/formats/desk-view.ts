/** A checked score as screens and workers pass it on: plain values, places in the whole text. */
import { needsTap } from "../class/drill-cautions.ts";
import type { VerdictName } from "../base/verdict-words.ts";
import { shownOf, shownOfAll } from "../drill/shown.ts";
import { lineNumber, type Metres, type RowIndex, type Share } from "../base/units.ts";
import { countExchanges } from "../drill/exchange-count.ts";
import type { CheckedExchange, FollowUp, Pose, Times, Verdict } from "../exchange/types.ts";
import type { Checked } from "../drill/types.ts";
import { REACTION_WORDS } from "../exchange/reactions.ts";
import { gameView, type GameView } from "./game-view.ts";
import { layerViews, type LayerView } from "./layer-view.ts";
import { headText } from "../score/format.ts";
import { notesOf } from "../score/notes.ts";
import type { ScoreItem } from "../score/types.ts";
import type { NumberedFinding } from "./finding-place.ts";
import type { Load } from "../drill/load.ts";

/** An exchange as screens show it. */
export interface ExchangeView {
  readonly key: string;
  /** As a coach counts them, from 1; null for a row that shows how it goes wrong. */
  readonly number: number | null;
  readonly from: number;
  readonly to: number;
  readonly row: RowIndex;
  readonly label: string | null;
  readonly section: string | null;
  readonly feed: string;
  readonly feeder: "A" | "B" | "C";
  readonly answer: string;
  readonly responder: "A" | "B" | "C";
  readonly answerSpan: { readonly from: number; readonly to: number } | null;
  readonly ends: CheckedExchange["ends"];
  readonly verdict: Verdict;
  /** The verdict as it is shown. */
  readonly shown: VerdictName;
  readonly marginCm: number | null;
  readonly ceiling: Share | null;
  readonly times: Times | null;
  readonly robust: number;
  readonly layers: readonly {
    readonly move: string;
    readonly by: string;
    readonly marginCm: number | null;
    readonly part: LayerView["part"];
  }[];
  readonly followUps: readonly FollowUp[];
  /** What is to be known of it in a sentence; null where there is nothing. */
  readonly says: string | null;
  readonly returns: readonly ReturnView[];
  /** Of a row that shows how it goes wrong. */
  readonly wrong: boolean;
  /** Its feed lands, and the row goes on from there. */
  readonly lands: boolean;
  /** It may come at any time. */
  readonly anyTime: boolean;
  readonly meets: boolean;
  /** Distance of feeder and responder before and after, m. */
  readonly before: number;
  readonly after: number;
  /** What each strand carries, before and after, in the order of the names. */
  readonly strands: { readonly before: readonly StrandView[]; readonly after: readonly StrandView[] };
}

interface ReturnView {
  readonly text: string;
  readonly from: number;
  readonly lands: boolean;
  /** How the partner shows that it landed, in words; null where it moves nobody. */
  readonly reaction: string | null;
}

/** A point to watch, with its row. */
interface NoteView {
  readonly row: RowIndex;
  readonly text: string;
}

/** A person's strand between two exchanges. */
export interface StrandView {
  readonly actor: "A" | "B" | "C";
  /** Distance to the next strand, m; 0 for the last. */
  readonly apart: number;
  readonly weight: Pose["weight"];
  readonly lead: Pose["lead"];
  readonly pinned: Pose["pinned"];
}

/** A block of the text: the rows it holds and how deep it lies. */
export interface BlockView {
  readonly type: "loop" | "choose" | "carry";
  readonly words: string;
  readonly fromRow: number;
  readonly toRow: number;
  readonly depth: number;
}

/** A checked drill as screens show it. */
export interface ScoreView {
  readonly title: string | null;
  readonly kind: string;
  readonly tempo: Share;
  readonly actors: readonly ("A" | "B" | "C")[];
  readonly distance: Metres;
  readonly verdict: Checked["verdict"];
  /** The verdict as it is shown. */
  readonly shown: VerdictName;
  readonly exchanges: readonly ExchangeView[];
  /** Those of rows that show how it goes wrong. */
  readonly wrong: readonly ExchangeView[];
  readonly games: readonly GameView[];
  readonly notes: readonly NoteView[];
  readonly blocks: readonly BlockView[];
  readonly findings: readonly NumberedFinding[];
  readonly closure: { readonly closes: boolean; readonly differences: readonly string[] } | null;
  readonly load: Load;
  /** Somebody is held in it: the tap is said on its cards. */
  readonly taps: boolean;
}

const cm = (m: number): number => Math.round(m * 1000) / 10;

function apart(poses: readonly Pose[], a: string, b: string): number {
  const one = poses.find((p) => p.actor === a);
  const two = poses.find((p) => p.actor === b);
  return one && two ? Math.round(Math.hypot(one.x - two.x, one.y - two.y) * 100) / 100 : 0;
}

const strandViews = (poses: readonly Pose[]): StrandView[] =>
  poses.map(({ actor, weight, lead, pinned }, i) => ({
    actor,
    apart: i + 1 < poses.length ? apart(poses, actor, poses[i + 1]!.actor) : 0,
    weight,
    lead,
    pinned,
  }));

function blockViews(items: readonly ScoreItem[], depth: number): BlockView[] {
  return items.flatMap((item): BlockView[] => {
    if (item.kind !== "block") return [];
    const rows = rowsOf(item.items);
    const inner = blockViews(item.items, depth + 1);
    if (rows.length === 0) return inner;
    const { type } = item.head;
    const range = { fromRow: Math.min(...rows), toRow: Math.max(...rows) };
    return [{ type, words: headText(item.head), ...range, depth }, ...inner];
  });
}

const rowsOf = (items: readonly ScoreItem[]): number[] =>
  items.flatMap((item) =>
    item.kind === "block" ? rowsOf(item.items) : item.kind === "section" ? [] : [item.row.index],
  );

function notesIn(items: readonly ScoreItem[]): NoteView[] {
  return items.flatMap((item): NoteView[] => {
    if (item.kind === "block") return notesIn(item.items);
    if (item.kind === "section" || item.kind === "game") return [];
    const { row, line } = item.kind === "line" ? item : item.shows;
    return notesOf(line).map(({ text }) => ({ row: row.index, text }));
  });
}

const wrongView = (e: CheckedExchange, index: number): ExchangeView => ({
  ...exchangeView(e, index, null),
  key: `wrong ${index}:${e.row.index}:${e.from}`,
  wrong: true,
});

function exchangeView(e: CheckedExchange, index: number, number: number | null): ExchangeView {
  const base = e.row.from;
  return {
    key: `${index}:${e.row.index}:${e.from}`,
    number,
    from: base + e.from,
    to: base + e.to,
    row: e.row.index,
    label: e.label,
    section: e.section,
    feed: e.feedText || "?",
    feeder: e.feeder,
    answer: e.answerText,
    responder: e.responder,
    answerSpan: e.answerSpan && { from: base + e.answerSpan.from, to: base + e.answerSpan.to },
    ends: e.ends,
    verdict: e.verdict,
    shown: shownOf(e),
    marginCm: e.margin === null ? null : cm(e.margin),
    ceiling: e.ceiling,
    times: e.times,
    robust: e.robust,
    layers: layerViews(e).map(({ layer, part, marginCm }) => ({ move: layer.use.text, by: layer.by, part, marginCm })),
    followUps: e.followUps,
    says: e.says,
    returns: e.returns.map(({ use, lands, reaction }) => ({
      text: use.text,
      from: base + use.from,
      lands,
      reaction: reaction && REACTION_WORDS[reaction],
    })),
    wrong: false,
    lands: e.lands === true,
    anyTime: e.anyTime !== undefined,
    meets: e.layers.some((l) => l.by === "meet"),
    before: apart(e.before, e.feeder, e.responder),
    after: apart(e.after, e.feeder, e.responder),
    strands: { before: strandViews(e.before), after: strandViews(e.after) },
  };
}

/** The view of a checked score. */
export function scoreView(checked: Checked): ScoreView {
  const { header } = checked;
  const { of } = countExchanges(checked);
  const numberOf = (e: CheckedExchange) => of({ line: lineNumber(e.row.index), column: e.from + 1 });
  return {
    title: header.title,
    kind: header.kind,
    tempo: header.tempo,
    actors: header.actors,
    distance: checked.distance,
    verdict: checked.verdict,
    shown: shownOfAll(checked),
    exchanges: checked.exchanges.map((e, i) => exchangeView(e, i, numberOf(e))),
    wrong: checked.wrong.map(wrongView),
    games: checked.games.map((game) => gameView(game, header.tempo)),
    notes: notesIn(checked.score.items),
    blocks: blockViews(checked.score.items, 0),
    findings: checked.findings.map((f) => ({ ...f, exchange: of(f) })),
    closure: checked.closure && { closes: checked.closure.closes, differences: checked.closure.differences },
    load: checked.load,
    taps: needsTap(checked),
  };
}
