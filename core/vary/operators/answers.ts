/** Operators on what is answered: more layers, a step, a return, an exit, a choice of answers. */
import { artOf, inArt, nativeTo } from "../../trade/art.ts";
import { inOwnWords } from "../../trade/own-words.ts";
import { CHANGES } from "../change-words.ts";
import { TRADE, withOwn } from "../../trade/trade.ts";
import { allCover, bestAnswer, givenAnswers, lands, rankAnswers } from "../../answers/answers.ts";
import { displacements } from "../../exchange/move-body.ts";
import type { Checked } from "../../drill/types.ts";
import type { MoveUse } from "../../read/types.ts";
import type { Move } from "../../words/types.ts";
import { contextOf, headerRows, turnOf, written } from "../../score/edit.ts";
import {
  feedOf,
  firstOf,
  differentLines,
  rebuilt,
  rowOf,
  simpleLines,
  slower,
  titled,
  withHits,
  withLine,
  type Operator,
  type PlainLine,
} from "./shared.ts";

/** Returns offered for one line. */
const RETURNS = 2;

/** What goes back first; who protects themselves uses the palm rather than the fist. */
const returnsIn = ({ header }: Checked): readonly string[] =>
  header.context === "self-protection" ? [...TRADE.openReturns, ...TRADE.returns] : TRADE.returns;

/** Returns drills with a return behind an answer. */
export const addReturn: Operator = (checked, school) =>
  simpleLines(checked).flatMap((line) => {
    // Bare hands do not strike past an edge, and who shot in is not boxed unless the drill boxes.
    const { blow } = line.exchange;
    const bare = checked.header.people[line.responder].holds === null;
    if (line.exchange.returns.length > 0 || (blow?.tool === "blade" && bare)) return [];
    const art = artOf(checked);
    const answer = line.answers[0]!;
    const context = contextOf(checked.score);
    const strikes = firstOf(
      withOwn(returnsIn(checked), school.vocabulary)
        .filter((text) => inArt(text, art, school.vocabulary))
        .map((text) => inOwnWords(text, checked.header.tradition, school.vocabulary)),
      RETURNS,
      (text) => lands(context, feedOf(line), answer, text, school),
    );
    return strikes.map((text) => ({
      operator: "add-return" as const,
      parameters: { row: rowOf(line), return: text },
      rows: withLine(
        checked,
        line,
        rebuilt(line, { answers: [...line.answers, text] }),
        titled(checked, `and ${text}`),
      ),
      changed: CHANGES.return(answer, text),
    }));
  });

/** The last blow that goes back. */
const lastReturn = ({ exchange }: PlainLine): MoveUse | undefined => exchange.returns[exchange.returns.length - 1]?.use;

/** Returns drills in which a return is answered. */
export const answerReturn: Operator = (checked, school) =>
  simpleLines(checked).flatMap((line) => {
    const last = hasLeft(line) ? null : lastReturn(line);
    const best = last && bestAnswer(contextOf(checked.score), `${line.responder} ${last.text}`, school);
    if (!best) return [];
    const rest = [turnOf(line.feeder, [best.text])];
    return [
      {
        operator: "answer-return" as const,
        parameters: { row: rowOf(line), answer: best.text },
        rows: withLine(checked, line, rebuilt(line, { rest }), {
          ...titled(checked, "counter for counter"),
          ...slower(checked),
        }),
        changed: CHANGES.counter(line.feeds[0]!, line.feeder, last.text, best.text),
      },
    ];
  });

/** Layers offered for one line. */
const LAYERS = 2;
/** A margin that needs no second line, m. */
const ENOUGH = 0.08;

/** A layer behind the first: the first that keeps the verdict and really counts. */
export const secondLine: Operator = (checked, school) =>
  differentLines(checked).flatMap((line) => {
    const answer = line.answers[0]!;
    const layers = answer.split(" + ").length;
    // Only where the first line is tight: what misses by a foot needs nothing behind it.
    const ample = (line.exchange.margin ?? 0) > ENOUGH;
    if (line.feeds.length !== 1 || layers > 2 || ample || line.exchange.beat.some((use) => use.move.attack)) return [];
    const backups = firstOf(
      rankAnswers(contextOf(checked.score), feedOf(line), school),
      LAYERS,
      (a) =>
        a.exchange.verdict === "valid" &&
        !a.text.includes("+") &&
        !answer.includes(a.text) &&
        !(onLegs(a.exchange.answer) && onLegs(line.exchange.answer)) &&
        guards(a.exchange.layers) &&
        allCover(contextOf(checked.score), feedOf(line), `${answer} + ${a.text}`, school),
    );
    return backups.map(({ text }) => ({
      operator: "second-line" as const,
      parameters: { row: rowOf(line), layer: text },
      rows: withLine(
        checked,
        line,
        rebuilt(line, { answers: [`${answer} + ${text}`, ...line.answers.slice(1)] }),
        titled(checked, layers > 1 ? "third line" : "second line"),
      ),
      changed: CHANGES.secondLine(answer, text),
    }));
  });

/** A leg that is pulled away or lifted checks nothing. */
const onLegs = (uses: readonly MoveUse[]): boolean =>
  uses.some((use) => use.move.limb.endsWith("leg") || displacements(use).some((m) => m.leg !== undefined));

const guards = (layers: readonly { readonly by: string }[]): boolean =>
  layers.some((l) => l.by === "interpose" || l.by === "deflect");

/** The answer moves the feet already. */
const stepsBy = (move: Move): boolean =>
  move.goesDown === true ||
  move.lowers === true ||
  (move.answer ?? []).some((a) => a.by === "displace" && (a.back?.head ?? 0) > 0) ||
  move.group === "footwork" ||
  (move.answer ?? []).some((a) => a.by === "displace" && a.feet);

/** Returns drills in which an answer is given while stepping off. */
export const stepOff: Operator = (checked) =>
  differentLines(checked).flatMap((line) => {
    const answer = line.answers[0]!;
    // A blow in the same beat wants the feet where they are.
    const strikes = line.exchange.beat.some((use) => use.move.attack);
    if (line.feeds.length !== 1 || strikes || line.exchange.answer.some((use) => stepsBy(use.move))) return [];
    return [
      {
        operator: "leave-line" as const,
        parameters: { row: rowOf(line) },
        rows: withLine(
          checked,
          line,
          rebuilt(line, { answers: [`${answer} + ${TRADE.companions.aside}`, ...line.answers.slice(1)] }),
          titled(checked, "with a step off"),
        ),
        changed: CHANGES.stepOff(answer),
      },
    ];
  });

/** Who has left does nothing more, and nothing is done to them. */
const LEFT = [...TRADE.exits.map(({ text }) => text), ...TRADE.leaves];
const hasLeft = ({ answers }: PlainLine): boolean =>
  answers.some((answer) => LEFT.some((way) => answer.startsWith(way)));

/** Returns drills that end with a way out. */
export const exit: Operator = (checked, school) =>
  differentLines(checked).flatMap((line) => {
    if (line.rest.length > 0 || hasLeft(line)) return [];
    const closed = line.exchange.returns.length > 0;
    const { people } = checked.header;
    // Bare hands throw nothing more at a weapon on the way out.
    const bare = people[line.responder].holds === null && people[line.feeder].holds !== null;
    const art = artOf(checked);
    return TRADE.exits
      .filter((way) => (!way.behindReturn || (closed && !bare)) && inArt(way.text, art, school.vocabulary))
      .map((way) => ({
        operator: "exit" as const,
        parameters: { row: rowOf(line), exit: way.text },
        rows: withLine(
          checked,
          line,
          rebuilt(line, { answers: [...line.answers, way.text] }),
          titled(checked, `out with ${way.text}`),
        ),
        changed: CHANGES.exit(line.feeds.join(", "), way.says),
      }));
  });

/** Returns drills in which the one who answers chooses. */
export const respondersChoice: Operator = (checked, school) =>
  simpleLines(checked).flatMap((line) => {
    const answer = line.answers[0]!;
    // What another row answers the same feed with is no new choice.
    const alike = simpleLines(checked).filter((one) => one.feeds.join() === line.feeds.join());
    const had = new Set(alike.flatMap((one) => one.exchange.answer.map(({ move }) => move.id)));
    const native = nativeTo(checked);
    const other = givenAnswers(contextOf(checked.score), feedOf(line), school).find(
      ({ exchange }) => exchange.answer.every(({ move }) => !had.has(move.id)) && native(exchange.answer),
    );
    if (!other) return [];
    const second = [withHits(other.text, line), ...line.answers.slice(1)].join(", ");
    const both = `${rebuilt(line, {})} | ${second}`;
    return [
      {
        operator: "responders-choice" as const,
        parameters: { row: rowOf(line), other: other.text },
        rows: withLine(checked, line, both, titled(checked, "own choice of answer")),
        changed: CHANGES.eitherAnswer(line.feeds[0]!, answer, withHits(other.text, line)),
      },
    ];
  });

/** After hand blows a kick, after kicks a hand blow. */
export const oppositeFinish: Operator = (checked, school) =>
  simpleLines(checked).flatMap((line) => {
    const last = lastReturn(line);
    const art = artOf(checked);
    // A drill of hands alone ends in hands, and one of legs in legs.
    if (!last || !art.kicks || !art.hands) return [];
    const legs = last.move.limb.endsWith("leg");
    const context = contextOf(checked.score);
    const finish = withOwn(legs ? TRADE.finishes.hands : TRADE.finishes.legs, school.vocabulary)
      .map((text) => inOwnWords(text, checked.header.tradition, school.vocabulary))
      .find((f) => lands(context, feedOf(line), line.answers.join(", "), f, school));
    if (!finish) return [];
    return [
      {
        operator: "opposite-finish" as const,
        parameters: { row: rowOf(line), finish },
        rows: withLine(
          checked,
          line,
          rebuilt(line, { answers: [...line.answers, finish] }),
          titled(checked, `finish with ${finish}`),
        ),
        changed: CHANGES.finish(last.text, finish),
      },
    ];
  });

/** One exchange as what one person does alone, for home. */
export const solo: Operator = (checked) =>
  simpleLines(checked).flatMap((line) => {
    if (line.answers.length < 2) return [];
    const rows = headerRows(checked.score, { ...titled(checked, "alone"), kind: "solo" });
    return [
      {
        operator: "solo" as const,
        parameters: { row: rowOf(line) },
        rows: written(rows, [turnOf(line.responder, line.answers)]),
        changed: CHANGES.solo(line.responder, line.answers),
      },
    ];
  });
