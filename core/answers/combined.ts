/** A combination answered as a whole: answers that go together, each checked behind the ones before it. */
import type { School } from "../policy/school.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import { parse } from "../score/parse.ts";
import { single } from "../score/edit.ts";
import { linesOf } from "../score/structure.ts";
import { notedBeat } from "../score/format.ts";
import { rankAnswers } from "./answers.ts";
import { checkText } from "./check-text.ts";

interface CombinedAnswer {
  /** As it is written into a score: `catch, slip out`. */
  readonly text: string;
  /** One for each feed. */
  readonly exchanges: readonly CheckedExchange[];
}

/** So many answers to each feed are tried behind each run, and so many runs are carried on. */
const TRIED = 6;
const CARRIED = 14;
/** An answer that is none of the standard ones stands this many places behind them. */
const NO_STANDARD = 6;
/** The same answer twice is easy to give and little to learn: half a place. */
const REPEATED = 0.5;
const RISKY = 10;
/** Slower than this nobody trains: what works at a crawl only is no answer. */
const CRAWL = 0.1;

interface Run {
  readonly answers: readonly string[];
  readonly exchanges: readonly CheckedExchange[];
  /** How far down the lists of the trade its answers stand, together. */
  readonly place: number;
}

/**
 * What is thrown in a feeder's turn, one by one: `jab`, `cross` of `A 1-2`. Empty where it is one thing, or no turn.
 * `context`: header rows.
 */
export function thrownInTurn(context: readonly string[], turn: string, school: School): readonly string[] {
  const [item] = linesOf(parse(turn).items);
  const first = item?.line.turns[0];
  const beats = item?.line.meets ? [] : (single(first)?.beats ?? []);
  const thrown = beats.map(notedBeat).flatMap((beat) => {
    const { exchanges } = checkText([...context, "", `${first!.actor ?? "A"} ${beat}`].join("\n"), school);
    return exchanges.length > 1 ? exchanges.flatMap(({ feed }) => feed?.text ?? []) : [beat];
  });
  return thrown.length > 1 ? thrown : [];
}

/**
 * Ranks what answers a whole combination. `context`: header rows; `feeder` and `feeds`: who throws what, beat by beat.
 * A step back after which the next blow falls short answers both.
 */
export function rankCombined(
  context: readonly string[],
  feeder: string,
  feeds: readonly string[],
  school: School,
  limit = 20,
): CombinedAnswer[] {
  const responder = feeder === "B" ? "A" : "B";
  const look = (thrown: readonly string[], answers: readonly string[]): readonly CheckedExchange[] | null => {
    const answered = answers.length === 0 ? "" : ` -> ${responder} ${answers.join(", ")}`;
    const { exchanges } = checkText([...context, "", `${feeder} ${thrown.join(", ")}${answered}`].join("\n"), school);
    const holds = exchanges.every(
      ({ verdict, ceiling }) => (verdict === "valid" || verdict === "risky") && (ceiling ?? 1) >= CRAWL,
    );
    return holds ? exchanges : null;
  };
  let runs: readonly Run[] = [{ answers: [], exchanges: [], place: 0 }];
  for (const [i, feed] of feeds.entries()) {
    const thrown = feeds.slice(0, i + 1);
    const given = rankAnswers(context, `${feeder} ${feed}`, school);
    runs = runs
      .flatMap((run): Run[] => {
        // A step that nobody answers, or a blow that falls short by now.
        const already = look(thrown, run.answers);
        if (already) return [{ ...run, exchanges: already }];
        return given.slice(0, TRIED).flatMap(({ text, standard }, at) => {
          const answers = [...run.answers, text];
          const exchanges = look(thrown, answers);
          if (!exchanges) return [];
          const place = run.place + (standard ?? NO_STANDARD + at) + (run.answers.includes(text) ? REPEATED : 0);
          const risks = exchanges.filter(({ verdict }) => verdict === "risky").length;
          return [{ answers, exchanges, place: place + RISKY * risks }];
        });
      })
      .sort((a, b) => a.place - b.place)
      .slice(0, CARRIED);
  }
  // Where nothing comes at anybody there is nothing to answer.
  const answered = runs.filter(({ answers }) => answers.length > 0);
  return answered.slice(0, limit).map(({ answers, exchanges }) => ({ text: answers.join(", "), exchanges }));
}
