/** Operators on what is answered: more layers, a step, a return, an exit, a choice of answers. */
import { lineText } from "../../score/format.ts";
import { rankAnswers, rankReturns } from "../answers.ts";
import { headerRows } from "../edit.ts";
import { plainLines, rebuilt, slower, titled, turnOf, withLine, type Operator, type PlainLine } from "./shared.ts";

const feedOf = (line: PlainLine): string => `${line.feeder} ${line.feeds[0]!}`;
const row = (line: PlainLine): number => line.item.row.index + 1;

/** Returns offered for one line. */
const RETURNS = 2;

export const addReturn: Operator = (checked, school) =>
  plainLines(checked).flatMap((line) => {
    if (line.feeds.length !== 1 || line.rest.length > 0 || line.exchange.returns.length > 0) return [];
    const answer = line.answers[0]!;
    const strikes = rankReturns(headerRows(checked.score), feedOf(line), answer, school).filter((r) =>
      USUAL_RETURNS.has(r.text),
    );
    return strikes.slice(0, RETURNS).map(({ text }) => ({
      operator: "add-return" as const,
      parameters: { row: row(line), return: text },
      text: withLine(
        checked,
        line,
        rebuilt(line, { answers: [...line.answers, text] }),
        titled(checked, `and ${text}`),
      ),
      changed: `After the ${answer}: return the ${text}`,
    }));
  });

/** What a class returns with first. Common practice, no source. */
const USUAL_RETURNS = new Set([
  "cross",
  "jab",
  "lead hook",
  "rear uppercut",
  "lead hook to body",
  "rear round kick",
  "push kick",
  "forehand",
  "backhand",
]);

export const answerReturn: Operator = (checked, school) =>
  plainLines(checked).flatMap((line) => {
    const last = line.exchange.returns[line.exchange.returns.length - 1];
    if (line.rest.length > 0 || line.feeds.length !== 1 || !last) return [];
    const back = `${line.responder} ${last.use.text}`;
    const best = rankAnswers(headerRows(checked.score), back, school, 8).find((a) => a.exchange.verdict === "valid");
    if (!best) return [];
    const rest = [turnOf(line.feeder, [best.text], line.item.line.turns[1]!)];
    return [
      {
        operator: "answer-return" as const,
        parameters: { row: row(line), answer: best.text },
        text: withLine(checked, line, rebuilt(line, { rest }), {
          ...titled(checked, "counter for counter"),
          ...slower(checked),
        }),
        changed: `${line.feeder} answers the ${last.use.text} with ${best.text}: counter for counter`,
      },
    ];
  });

/** A layer behind the first: the first that keeps the verdict and really counts. */
export const secondLine: Operator = (checked, school) =>
  plainLines(checked).flatMap((line) => {
    const answer = line.answers[0]!;
    const layers = answer.split(" + ").length;
    if (line.feeds.length !== 1 || layers > 2) return [];
    const backups = rankAnswers(headerRows(checked.score), feedOf(line), school).filter(
      (a) =>
        a.exchange.verdict === "valid" &&
        !a.text.includes("+") &&
        !answer.includes(a.text) &&
        guards(a.exchange.layers),
    );
    return backups.slice(0, 2).map(({ text }) => ({
      operator: "second-line" as const,
      parameters: { row: row(line), layer: text },
      text: withLine(
        checked,
        line,
        rebuilt(line, { answers: [`${answer} + ${text}`, ...line.answers.slice(1)] }),
        titled(checked, layers > 1 ? "third line" : "second line"),
      ),
      changed: `A ${layers > 1 ? "third" : "second"} line behind the ${answer}: ${text} as well`,
    }));
  });

const guards = (layers: readonly { readonly by: string }[]): boolean =>
  layers.some((l) => l.by === "interpose" || l.by === "deflect");

export const stepOff: Operator = (checked) =>
  plainLines(checked).flatMap((line) => {
    const answer = line.answers[0]!;
    if (line.feeds.length !== 1 || /\b(step|pivot|circle|sprawl)\b/.test(answer)) return [];
    return [
      {
        operator: "step-off" as const,
        parameters: { row: row(line) },
        text: withLine(
          checked,
          line,
          rebuilt(line, { answers: [`${answer} + step off`, ...line.answers.slice(1)] }),
          titled(checked, "with a step off"),
        ),
        changed: `With the ${answer}: step off the line`,
      },
    ];
  });

export const exit: Operator = (checked) =>
  plainLines(checked).flatMap((line) => {
    if (line.rest.length > 0 || /exit/.test(line.answers.join(" "))) return [];
    const closed = line.exchange.returns.length > 0;
    return (closed ? ["exit angle", "exit jab"] : ["exit angle"]).map((way) => ({
      operator: "exit" as const,
      parameters: { row: row(line), exit: way },
      text: withLine(
        checked,
        line,
        rebuilt(line, { answers: [...line.answers, way] }),
        titled(checked, `out with ${way}`),
      ),
      changed: way === "exit jab" ? "Leave behind a jab: it closes the door" : "Leave at an angle when it is done",
    }));
  });

export const respondersChoice: Operator = (checked, school) =>
  plainLines(checked).flatMap((line) => {
    const answer = line.answers[0]!;
    if (line.feeds.length !== 1 || line.rest.length > 0) return [];
    const other = rankAnswers(headerRows(checked.score), feedOf(line), school).find(
      (a) => a.exchange.verdict === "valid" && !answer.includes(a.text),
    );
    if (!other) return [];
    const built = rebuilt(line, {});
    const [feed, turn] = built.turns;
    const second = turnOf(line.responder, [other.text, ...line.answers.slice(1)], turn!).alternatives[0]!;
    const both = { ...built, turns: [feed!, { ...turn!, alternatives: [...turn!.alternatives, second] }] };
    return [
      {
        operator: "responders-choice" as const,
        parameters: { row: row(line), other: other.text },
        text: withLine(checked, line, both, titled(checked, "own choice of answer")),
        changed: `Against the ${line.feeds[0]!}: ${answer} or ${other.text}, as the answerer likes`,
      },
    ];
  });

const LEG_FINISH = ["rear round kick to leg", "rear round kick to body", "push kick", "knee"];
const HAND_FINISH = ["cross", "lead hook", "jab"];

/** After hand blows a kick, after kicks a hand blow. */
export const oppositeFinish: Operator = (checked, school) =>
  plainLines(checked).flatMap((line) => {
    const last = line.exchange.returns[line.exchange.returns.length - 1];
    if (!last || line.rest.length > 0 || line.feeds.length !== 1) return [];
    const legs = last.use.move.limb.endsWith("leg");
    const reach = new Set(
      rankReturns(headerRows(checked.score), feedOf(line), line.answers.join(", "), school).map((r) => r.text),
    );
    const finish = (legs ? HAND_FINISH : LEG_FINISH).find((f) => reach.has(f.replace(/ to \w+$/, "")) || reach.has(f));
    if (!finish) return [];
    return [
      {
        operator: "opposite-finish" as const,
        parameters: { row: row(line), finish },
        text: withLine(
          checked,
          line,
          rebuilt(line, { answers: [...line.answers, finish] }),
          titled(checked, `finish with ${finish}`),
        ),
        changed: `After the ${last.use.text} finish with ${legs ? "a hand" : "a leg"}: ${finish}`,
      },
    ];
  });

/** One exchange as what one person does alone, for home. */
export const solo: Operator = (checked) =>
  plainLines(checked).flatMap((line) => {
    if (line.feeds.length !== 1 || line.rest.length > 0 || line.answers.length < 2) return [];
    const alone = { ...line.item.line, turns: [turnOf(line.responder, line.answers, line.item.line.turns[1]!)] };
    const rows = headerRows(checked.score, { ...titled(checked, "alone"), kind: "solo" });
    return [
      {
        operator: "solo" as const,
        parameters: { row: row(line) },
        text: `${[...rows, "", lineText(alone)].join("\n")}\n`,
        changed: `${line.responder}’s part alone, to take home: ${line.answers.join(", ")}`,
      },
    ];
  });
