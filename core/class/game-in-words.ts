/** A game as it is said to the two who play it: who may do what, what scores, how it touches, when it ends. */
import type { CheckedGame, Game, GameEnd, GameSwap } from "../drill/game-types.ts";
import type { Share } from "../base/units.ts";
import { lineText } from "../score/format.ts";
import type { Alternative } from "../score/types.ts";

/** A game in words: a row for each thing to know. `says`: how what somebody may do is said. */
export function gameInWords(game: Game, says: (alternative: Alternative) => string): string[] {
  return [
    `Game: ${game.name}.`,
    ...startWords(game),
    ...game.may.map(({ actor, options }) => `${actor} may: ${options.map((o) => says(o.alternative)).join("; or ")}.`),
    ...game.scores.flatMap(({ actor, events }) =>
      events.map(({ event, points }) => `${actor} scores ${points}: ${event.says}.`),
    ),
    ...(game.touch ? [`The touch: ${game.touch.name}.`] : []),
    `${endWords(game.ends)} ${swapWords(game.swap)}`.trim(),
  ];
}

function startWords({ start, range }: Game): string[] {
  const rows = start.map(({ line }) => lineText(line));
  const far = range === null ? [] : ["metres" in range ? `${range.metres} m apart` : `at ${RANGE_WORDS[range.name]}`];
  return rows.length + far.length === 0 ? [] : [`Start: ${[...rows, ...far].join(", ")}.`];
}

const RANGE_WORDS = {
  out: "a distance where nothing reaches",
  kick: "kicking distance",
  weapon: "the distance of the weapon",
  punch: "punching distance",
  trap: "the distance where forearms touch",
  clinch: "the clinch",
} as const;

const UNIT: Readonly<Record<GameEnd["unit"], readonly [string, string]>> = {
  points: ["point", "points"],
  s: ["s", "s"],
  feeds: ["feed", "feeds"],
};

const endWords = (ends: readonly GameEnd[]): string =>
  ends.length === 0
    ? ""
    : `It ends after ${ends.map(({ unit, count }) => `${count} ${UNIT[unit][count === 1 ? 0 : 1]}`).join(" or ")}.`;

function swapWords(swap: GameSwap): string {
  if (swap === "never") return "Roles stay.";
  if (swap === "at the end") return "Roles change at the end.";
  return `Roles change every ${swap.count} ${swap.unit}.`;
}

/** Whether a game is fair for these two, in a sentence. */
export function fairnessWords(
  { fairness: { answered, of }, evener, holes }: Pick<CheckedGame, "fairness" | "evener" | "holes">,
  tempo: Share,
): string {
  const now = `At ${Math.round(tempo * 100)}% ${answered} of ${of} feeds can still be answered.`;
  if (answered === of) return now;
  if (holes.length > 0) return `${now} The rest has no answer yet.`;
  if (evener === null) return `${now} Nothing evens it: start further apart, or give a nearer answer.`;
  if (evener === "two options") return `${now} With two options it is fair.`;
  return `${now} At ${Math.round(evener.slower * 100)}% it is fair.`;
}
