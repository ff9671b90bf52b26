/** `vicissor answers`: what works against a feed or a whole turn, the best first. */
import { rankAnswers, type RankedAnswer } from "#core/answers/answers.ts";
import { rankCombined, thrownInTurn } from "#core/answers/combined.ts";
import { checkFor } from "#core/policy/judge.ts";
import { shownOfAll } from "#core/drill/shown.ts";
import { VERDICT_WORDS } from "#core/base/verdict-words.ts";
import { headerRows } from "#core/score/edit.ts";
import { parse } from "#core/score/parse.ts";
import { CannotRun, readText, schoolFrom, type Common } from "./options.ts";

/** Answers to one feed or several, as they are printed: the least margin and tempo, and what is open at the end. */
function shownAnswer(answer: string, exchanges: readonly RankedAnswer["exchange"][]) {
  const least = (values: readonly (number | null)[]) => Math.min(...values.map((value) => value ?? Infinity));
  const ceiling = least(exchanges.map((e) => e.ceiling));
  return {
    answer,
    verdict: exchanges.some(({ verdict }) => verdict === "risky") ? ("risky" as const) : ("valid" as const),
    shown: shownOfAll({ verdict: exchanges.some(({ verdict }) => verdict === "risky") ? "risky" : "sound", exchanges }),
    margin_cm: Math.round(Math.min(...exchanges.map((e) => e.margin ?? 0)) * 1000) / 10,
    ceiling: Number.isFinite(ceiling) ? Math.round(ceiling * 100) / 100 : null,
    open: exchanges[exchanges.length - 1]!.followUps.filter((f) => f.state === "open").map((f) => f.move),
  };
}

export function runAnswers(feed: string, file: string | undefined, options: Common): number {
  const school = schoolFrom(options.school);
  const context = file ? headerRows(parse(readText(file))) : [];
  const turn = /^[abc]\s/i.test(feed) ? feed : `A ${feed}`;
  const unread = checkFor(parse([...context, `${turn} -> catch`].join("\n")), school).findings.find(
    (f) => f.rule === "unknown-move" || f.rule === "bad-move" || f.rule === "syntax",
  );
  if (unread) throw new CannotRun(unread.message);
  const feeds = thrownInTurn(context, turn, school);
  const [feeder = "A"] = turn.toUpperCase();
  const answers =
    feeds.length > 0
      ? rankCombined(context, feeder, feeds, school).map(({ text, exchanges }) => shownAnswer(text, exchanges))
      : rankAnswers(context, turn, school).map(({ text, exchange, worth }) => ({
          ...shownAnswer(text, [exchange]),
          worth: Math.round(worth * 100) / 100,
        }));
  if (options.json) console.log(JSON.stringify({ feed: turn, answers }));
  else if (answers.length === 0) console.log("No answer works here. Change the distance, or feed more slowly.");
  else {
    const wide = Math.max(...answers.map(({ shown }) => VERDICT_WORDS[shown].length));
    for (const a of answers)
      console.log(
        `${a.answer.padEnd(32)} ${VERDICT_WORDS[a.shown].padEnd(wide)} ${String(a.margin_cm).padStart(5)} cm  ${tempoWords(a.ceiling)}  open: ${a.open.join(", ") || "nothing"}`,
      );
  }
  return answers.length > 0 ? 0 : 1;
}

/** Up to which tempo it works; nothing where no clock runs, as out of a hold. */
const tempoWords = (ceiling: number | null): string =>
  ceiling === null ? " ".repeat(10) : `up to ${String(Math.round(ceiling * 100)).padStart(3)}%`;
