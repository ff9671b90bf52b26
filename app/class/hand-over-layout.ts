/** The evening as one page for whoever takes it over: what is done when, in words, and what to leave out when time is short. */
import type { RungWords } from "#core/class/rung-words.ts";
import { inHalf, type Block, type Clock } from "#core/class/timetable.ts";
import type { CardPage } from "../paper/drill-card-layout.ts";
import { LEFT, onePage, TextPage, WIDTH } from "../paper/text-page.ts";
import { INDENT } from "./sheet-layout.ts";

interface HandOver {
  readonly title: string;
  /** School, day, minutes, how many are here. */
  readonly under: string;
  /** What is looked at before anybody begins. */
  readonly check: string;
  readonly clock: Clock;
  readonly blocks: readonly Block[];
  readonly words: readonly RungWords[];
  /** Limits of people, by name: what must not be forgotten. */
  readonly mind: readonly string[];
  readonly needs: string;
  readonly cautions: readonly string[];
}

export const handOverPage = (input: HandOver): CardPage => onePage((size) => laidOut(input, size));

const minutesText = (seconds: number): string => (seconds % 60 === 0 ? `${seconds / 60} min` : `${seconds} s`);

function laidOut(
  { title, under, check, clock, blocks, words, mind, needs, cautions }: HandOver,
  size: number,
): TextPage {
  const page = new TextPage();
  page.say(`To hand over: ${title}`, size * 1.6, "heading");
  page.say(under, size, "text");
  page.say(
    `Rounds of ${minutesText(clock.round)} with ${minutesText(clock.rest)} between; roles change every ${minutesText(clock.change)} where nobody holds pads. Show each new thing once, slowly, from two sides; then they work.`,
    size,
    "text",
  );
  if (check) page.say(check, size, "text");
  page.rule();
  let at = 0;
  const seen = new Set<number>();
  for (const block of blocks) {
    page.say(`${at}' ${block.title}, ${block.minutes} min${roundsText(block)}`, size, "bold");
    at += block.minutes;
    const said = block.rung === null || seen.has(block.rung) ? undefined : words[block.rung];
    if (block.rung !== null) seen.add(block.rung);
    if (said) sayRung(page, said, size);
    page.y += size * 0.2;
  }
  page.rule();
  page.say(
    `If you have only half the time: ${inHalf(blocks)
      .map(({ title: name, minutes }) => `${name}, ${minutes} min`)
      .join("; ")}.`,
    size,
    "text",
  );
  for (const line of mind) page.say(`! ${line}`, size, "text");
  page.say(needs, size, "text");
  page.rule();
  cautions.forEach((text, i) => page.say(text, Math.min(size, 3.3), i === 0 ? "bold" : "text"));
  return page;
}

const roundsText = ({ rung, rounds }: Block): string =>
  rung === null ? "" : `, ${rounds === 1 ? "1 round" : `${rounds} rounds`}`;

/** What is done, and what is said with it. */
function sayRung(page: TextPage, { play, cues, fault, feeder, goOn }: RungWords, size: number): void {
  const x = LEFT + INDENT;
  const width = WIDTH - INDENT;
  for (const { text, depth } of play) page.say(text, size, "text", x + depth * INDENT, width - depth * INDENT);
  const lines = [`Say: ${cues.join(" ")}`, ...(fault ? [`Watch: ${fault}`] : []), `Who feeds: ${feeder}`, goOn];
  page.say(lines.join(" "), size * 0.92, "text", x, width);
}
