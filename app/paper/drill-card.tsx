/** The card of a drill: one A4 page in black and white, to print or to keep as PDF. */
import { VERDICT_WORDS } from "#core/base/verdict-words.ts";
import { useEffect, useMemo, useState } from "react";
import type { PadLine } from "#core/formats/pad-lines.ts";
import type { ScoreView } from "#core/formats/desk-view.ts";
import { scoreStaves } from "../drawing/score-layout.ts";
import { ask } from "../workers/client.ts";
import { ANY_TIME, cautionsFor, playRows } from "#core/class/cautions.ts";
import { drillCard } from "./drill-card-layout.ts";
import { SvgPages } from "./svg-pages.tsx";

interface CardProps {
  readonly id: string;
  readonly title: string;
  readonly school: string;
  readonly text: string;
}

const wordsOf = ({ shown }: ScoreView): string =>
  shown === "broken" ? "broken: mend it before it is trained" : VERDICT_WORDS[shown];

const factsOf = (view: ScoreView, pads: readonly PadLine[]): string[] => [
  `${view.kind}, ${Math.round(view.tempo * 100)}% of full speed, ${view.distance.toFixed(2)} m apart, ${wordsOf(view)}`,
  ...(pads.length > 0 ? [`Pads: ${pads.map((p) => `${p.blow} on the ${p.pad} pad`).join(", ")}`] : []),
];

/** The pages are drawn as SVG: what is seen is what is printed and what the PDF holds. */
export function DrillCard({ id, title, school, text }: CardProps) {
  const [view, setView] = useState<ScoreView | null>(null);
  const [pads, setPads] = useState<readonly PadLine[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    Promise.all([ask("check", { text }), ask("pads", { text })]).then(
      ([checked, found]) => {
        setPads(found);
        setView(checked);
      },
      (e: Error) => setTrouble(e.message),
    );
  }, [text]);
  const pages = useMemo(
    () =>
      view &&
      drillCard({
        title,
        school,
        facts: factsOf(view, pads),
        rows: playRows(text),
        staves: scoreStaves(view),
        cautions: [...formsOf(view), ...cautionsFor(view)],
      }),
    [view, pads, title, school, text],
  );
  return (
    <SvgPages
      title={`Card of ${title}`}
      pages={pages}
      back={{ to: `/drills/${id}`, label: "Back to the desk" }}
      trouble={trouble}
    />
  );
}

/** The rules that are printed with rows that may come at any time, and with games. */
const formsOf = ({ exchanges, games }: ScoreView): readonly string[] => [
  ...(exchanges.some(({ anyTime }) => anyTime)
    ? [`At any time: ${ANY_TIME.charAt(0).toLowerCase()}${ANY_TIME.slice(1)}`]
    : []),
  ...(games[0] ? [`Games: ${games[0].rules.join(" ")}`] : []),
];
