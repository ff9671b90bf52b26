/** Drills and ladders as pages to read: what is played in words, what to think of, the score, and the cautions. */
import type { RungWords } from "#core/class/rung-words.ts";
import { cautionsFor } from "#core/class/cautions.ts";
import { escaped } from "./html.ts";

export interface ReadRung {
  readonly title: string;
  readonly text: string;
  /** What is new against the rung before; empty for the first. */
  readonly changed: string;
  readonly words: RungWords;
  /** The checker finds moves in it that nobody answers, or that do not work. */
  readonly isBroken: boolean;
}

const list = (items: readonly string[]): string =>
  items.length === 0 ? "" : `<ul>${items.map((item) => `<li>${escaped(item)}</li>`).join("")}</ul>`;

const quiet = (text: string): string => (text === "" ? "" : `<p class="quiet">${escaped(text)}</p>`);

/** What is played, row by row, and what is said with it. */
const played = ({ play, cues, fault, goOn }: RungWords): string =>
  [
    `<div class="what">${play.map(({ text }) => escaped(text)).join("<br>")}</div>`,
    list(cues),
    quiet(fault ? `A common fault: ${fault}` : ""),
    quiet(goOn),
  ].join("");

const cautions = (rungs: readonly ReadRung[]): string =>
  cautionsFor({ taps: rungs.some(({ words }) => words.taps) })
    .map(quiet)
    .join("");

const UNFINISHED = "This drill is not finished: not every move in it is met. Ask who sent it before you train it.";

/** The body of the page of one drill; as a card without the score, as on paper. */
export const drillBody = (rung: ReadRung, school: string, as: "card" | "drill"): string => {
  const { title, text, words } = rung;
  return [
    `<h1>${escaped(title)}</h1>`,
    quiet(school),
    rung.isBroken ? `<p><strong>${UNFINISHED}</strong></p>` : "",
    played(rung.isBroken ? { ...words, goOn: "" } : words),
    as === "card" ? "" : `<h2>The score</h2><pre>${escaped(text)}</pre>`,
    cautions([rung]),
  ].join("");
};

/** The body of the page of a ladder, from the easiest rung up. */
export const ladderBody = (title: string, school: string, rungs: readonly ReadRung[]): string =>
  [
    `<h1>${escaped(title)}</h1>`,
    quiet(school),
    ...rungs.map(
      (rung, i) =>
        `<section><h2>${i + 1}. ${escaped(rung.title)}</h2>${quiet(rung.changed)}${played(rung.words)}</section>`,
    ),
    cautions(rungs),
  ].join("");
