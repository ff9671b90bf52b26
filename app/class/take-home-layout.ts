/** What of an evening can be done alone at home, on one page. */
import type { RungWords } from "#core/class/rung-words.ts";
import type { CardPage } from "../paper/drill-card-layout.ts";
import { onePage, TextPage } from "../paper/text-page.ts";

/** Repetitions of solo parts on each side, all together. Common practice, no source. */
const EACH_SIDE = 50;
/** More than this nobody does at home. */
const MOST_PARTS = 5;

interface TakeHome {
  readonly title: string;
  readonly under: string;
  /** What is trained, the rungs of the evening. */
  readonly words: readonly RungWords[];
}

/** The parts that are done alone, each once; empty where the evening takes two. */
const partsOf = (words: readonly RungWords[]): string[] =>
  [...new Set(words.flatMap(({ alone }) => alone))].slice(0, MOST_PARTS);

/** Null where nothing of the evening is done alone. */
export function takeHomePage({ title, under, words }: TakeHome): CardPage | null {
  const parts = partsOf(words);
  if (parts.length === 0) return null;
  const times = Math.ceil(EACH_SIDE / parts.length / 5) * 5;
  const cues = [...new Set(words.flatMap((one) => one.cues))].slice(0, 4);
  return onePage((size) => {
    const page = new TextPage();
    page.say(`To take home: ${title}`, size * 1.6, "heading");
    page.say(under, size, "text");
    page.say("Alone, with a step of room on every side. Warm up first; slow, then at your own pace.", size, "text");
    page.rule();
    parts.forEach((part, i) =>
      page.say(`${i + 1}. ${part} ${times} with the left lead, ${times} with the right.`, size, "bold"),
    );
    page.rule();
    page.say(`Think of: ${cues.join(" ")}`, size, "text");
    page.say(
      "A mirror or a film of yourself shows what you do not feel. Three times a week is better than once for long.",
      size,
      "text",
    );
    page.say("Stop when something hurts, and tell your instructor.", size, "bold");
    return page;
  });
}
