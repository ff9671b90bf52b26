/** Another tool for the same lines: angles are carried over by their clock line, answers found again. */
import { CHANGES } from "../change-words.ts";
import { assess, wrongLines } from "../../policy/assess.ts";
import data from "./tools.json" with { type: "json" };
import { TRADE, USUAL_FEEDS } from "../../trade/trade.ts";
import { checkRows, readRows } from "../../answers/check-text.ts";
import type { Person } from "../../score/person.ts";
import type { Blow } from "../../exchange/types.ts";
import type { Checked } from "../../drill/types.ts";
import { lineText } from "../../score/format.ts";
import { expandRange } from "../../score/ranges.ts";
import { headerValue, linesOf } from "../../score/structure.ts";
import type { School } from "../../policy/school.ts";
import { framedBlow, framedBlows, lands, soundAnswer, type FramedBlow } from "../../answers/answers.ts";
import { contextOf, headerRows, written } from "../../score/edit.ts";
import { cycleTool } from "./cycles.ts";
import {
  personRow,
  plainLines,
  rebuilt,
  rowOf,
  titled,
  type Candidate,
  type Operator,
  type PlainLine,
} from "./shared.ts";
import type { ToolId } from "../tool-names.ts";

/** A new tool starts slowly again, share of full speed. */
const SLOW = 0.4;
/** Lines further apart than this are other angles, hours on the clock. */
const NEAR = 1.6;
/** What most clubs feed comes before what lies as near, hours. */
const USUAL_BONUS = 0.75;

/** Returns the drill with another tool. */
export const otherTool: Operator = (drill, school) => {
  const { header } = drill;
  if (header.actors.length > 2) return [];
  if (header.kind === "flow") return cycleTool(drill, school);
  const checked = oneByOne(drill, school);
  const lines = plainLines(checked).filter((line) => line.feeds.length === 1 && line.feeder === "A");
  if (!lines.some((line) => line.exchange.blow?.limb === "hand")) return [];
  // Gloves or mitts off is no other tool.
  const bareNow = header.actors.every((actor) => !header.people[actor].holds);
  return data.tools.flatMap((tool): Candidate[] => {
    // Who protects themselves has nothing in the hand.
    const arms = header.context === "self-protection" && tool.answerer.holds !== null;
    if (tool.id === toolNow(checked) || (isBare(tool) && bareNow) || arms) return [];
    const changes = {
      ...titled(checked, tool.words.toLowerCase()),
      ...personRow(checked, "A", (words) => equipped(words, tool.feeder)),
      ...personRow(checked, "B", (words) => equipped(words, tool.answerer)),
      tempo: `${Math.round(Math.min(SLOW, header.tempo) * 100)}%`,
      range: null,
    };
    const rows = headerRows(checked.score, changes);
    const made = lines.map((line) => carry(line, rows, school));
    const all = made.filter((row) => row !== null);
    // The first feed sets the distance: a later line may not hold from there, and is left out.
    const bad = wrongLines(assess(readRows(written(rows, all)), school), school);
    const carried = all.filter((_, i) => !bad.has(i));
    if (carried.length === 0 || themeOf(checked).some((move) => !carried.some((row) => row.includes(move)))) return [];
    const left = lines.filter((_, i) => made[i] === null || bad.has(all.indexOf(made[i]!))).map(rowOf);
    const same = carried.every((row) => lines.some((line) => lineText(line.item.line) === row));
    return [
      {
        operator: "other-tool",
        parameters: { tool: tool.id },
        rows: written(rows, carried),
        changed: (same ? CHANGES.toolAlone : CHANGES.tool)(tool.words, CHANGES.left(left)),
      },
    ];
  });
};

const isBare = ({ feeder, answerer }: (typeof data.tools)[number]): boolean =>
  !feeder.holds && !answerer.holds && feeder.wears.length + answerer.wears.length === 0;

/** The moves of a drill that its title or its focus names: what it is about. */
function themeOf({ score, exchanges }: Checked): string[] {
  const about = [headerValue(score, "title"), headerValue(score, "focus")].join(" ").toLowerCase();
  const moves = exchanges.flatMap(({ answer, returns }) => [...answer, ...returns.map(({ use }) => use)]);
  const named = moves.map(({ move }) => move.name.toLowerCase()).filter((name) => about.includes(name));
  return [...new Set(named)];
}

/** The drill with a row for each line that a range of numbers stands for. */
function oneByOne(checked: Checked, school: School): Checked {
  const rows = [...linesOf(checked.score.items)];
  const lines = rows.flatMap(({ line }) => expandRange(line));
  return lines.length === rows.length
    ? checked
    : checkRows(written(contextOf(checked.score), lines.map(lineText)), school);
}

/** The tool that both have now; null where it is none of these. */
function toolNow({ header }: Checked): ToolId | null {
  const { A, B } = header.people;
  const held = (p: Person) => (p.holds ? `${p.holds.count === 2 ? "two sticks" : p.holds.kind}` : null);
  const kind = (words: string | null) => words?.replace(/ \d+ cm$/, "") ?? null;
  const same = data.tools.filter((t) => kind(t.feeder.holds) === held(A) && kind(t.answerer.holds) === held(B));
  const padded = A.wears.includes("mitts");
  return same.find((t) => t.feeder.wears.includes("mitts") === padded)?.id ?? null;
}

/** A person's words with other things in the hands, worn and held. */
function equipped(
  words: readonly string[],
  { holds, wears }: { readonly holds: string | null; readonly wears: readonly string[] },
): string[] {
  const own = words.filter((w) => /^(lead|height|reach|mass|minor)\b|handed$/i.test(w));
  return [...own, `holds ${holds ?? "nothing"}`, ...(wears.length > 0 ? [`wears ${wears.join(", ")}`] : [])];
}

/** The line with the nearest feed of the new tool and an answer that holds; null where there is none. */
function carry(line: PlainLine, context: readonly string[], school: School): string | null {
  const { blow } = line.exchange;
  if (!blow) return null;
  const feed = nearest(blow, line.feeds[0]!, context, school);
  if (!feed) return null;
  // A number is an angle of the old tool.
  const own = /\d/.test(line.answers[0]!) ? "" : line.answers[0]!;
  const answer = soundAnswer(context, feed, own, school);
  if (!answer) return null;
  const said = `A ${feed.text}`;
  // Bare hands strike nobody past an edge.
  if (feed.blow.tool === "blade" && feed.fed.header.people.B.holds === null)
    return rebuilt(line, { feeds: [feed.text], answers: [answer], rest: [] });
  const backs = line.answers.slice(1).filter((back) => lands(context, said, answer, back, school));
  const other = TRADE.returns.find((back) => lands(context, said, answer, back, school));
  const returns = line.exchange.returns.length === 0 || backs.length > 0 ? backs : other ? [other] : [];
  return rebuilt(line, { feeds: [feed.text], answers: [answer, ...returns.slice(0, 1)], rest: [] });
}

/** The feed whose line lies nearest: the same path and height, from the same hour of the clock. */
function nearest(blow: Blow, text: string, context: readonly string[], school: School): FramedBlow | null {
  if (blow.path === "shoot") return null;
  const own = framedBlow(context, text, school);
  const all = framedBlows(context, school);
  const armed = all[0]?.fed.header.people.A.holds ?? null;
  // A leg or an empty hand throws what it threw before; a hand with a weapon in it does not.
  if (own && (blow.limb === "leg" || (!armed && !own.blow.weapon && !blow.weapon))) return own;
  const height = heightOf(blow);
  const away = (other: Blow): number => {
    if (other.limb !== blow.limb || other.path === "shoot") return Infinity;
    if ((other.path === "thrust") !== (blow.path === "thrust") || heightOf(other) !== height) return Infinity;
    if ((other.weapon !== null) !== (armed !== null)) return Infinity;
    if (other.clock === null || blow.clock === null) return other.side === blow.side ? 0 : 0.5;
    const hours = Math.abs(other.clock - blow.clock);
    return Math.min(hours, 12 - hours);
  };
  let best: FramedBlow | null = null;
  let least = Infinity;
  for (const feed of all) {
    const hours = away(feed.blow);
    if (hours >= NEAR) continue;
    const rank = hours - (USUAL_FEEDS.has(feed.text) ? USUAL_BONUS : 0);
    if (rank < least || (rank === least && best && feed.text.length < best.text.length)) {
      best = feed;
      least = rank;
    }
  }
  return best;
}

const heightOf = ({ zone }: Blow): string =>
  zone === "head" || zone === "neck" ? "high" : zone === "chest" || zone === "belly" || zone === "hips" ? "mid" : "low";
