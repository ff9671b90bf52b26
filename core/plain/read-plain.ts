/** Plain words in: for each line of a page the row that it means, or what has to be asked about it. */
import { checkFor } from "../policy/judge.ts";
import type { School } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { format } from "../score/format.ts";
import type { Checked } from "../drill/types.ts";
import type { Finding } from "../findings/finding.ts";
import { gamesIn, isFrameRow, markOf, numbersOf } from "./marked.ts";
import { piecesOf } from "./pieces.ts";
import { rowOf, type MadeRow } from "./rows.ts";

/** A row that a line may mean, with the verdict of the checker. */
interface Proposal {
  readonly text: string;
  readonly verdict: Checked["verdict"];
  /** What each part of the line was taken for; places count from the start of the line. */
  readonly understood: MadeRow["understood"];
}
/** A line with the rows that it may mean. */
export interface PlainLine {
  /** From 1. */
  readonly line: number;
  readonly source: string;
  /** None, one, or two, the likelier first. */
  readonly proposals: readonly Proposal[];
  readonly question: { readonly text: string; readonly choices: readonly [string, string] } | null;
  /** Words that are no part of the row. */
  readonly kept: readonly string[];
}

/** Longer lines are not what somebody says, characters. */
const LONGEST_LINE = 400;

/** Rows of a header among notes: they say what people hold, and are no rows of play. */
const HEADER =
  /^\s*(?:(?:title|kind|level|range|tempo|beat|cadence|formation|order|gear|numbering|focus|context|contact|mats|tradition|rules [abc])\s*:|[abc]\s*:\s*(?:lead|height|reach|mass|minor|holds|wears|right handed|left handed|stance|guard)\b)/i;

/** Returns true for a row of a header, such as `A: holds stick 71 cm`. */
export const isHeaderRow = (line: string): boolean => HEADER.test(line);

/** Reads a page of notes: one result for each line that is not blank. `header`: rows that say what people hold and wear. */
export function readPlain(page: string, header: readonly string[], school: School): PlainLine[] {
  const lines = page
    .split(/\r\n?|\n/)
    .map((source, i) => ({ source, line: i + 1 }))
    .filter(({ source }) => source.trim() !== "");
  const head = [...header, ...lines.flatMap(({ source }) => (isHeaderRow(source) ? [source.trim()] : []))];
  const games = gamesIn(lines.map(({ source }) => source));
  return lines.map(({ source, line }, i) => {
    const game = games.find(([from, to]) => from <= i && i <= to);
    if (!game) return { line, source, ...readLine(source, head, school) };
    const rows = lines.slice(game[0], game[1] + 1).map((one) => one.source.trim());
    return {
      line,
      source,
      ...asWritten(i === game[0] || i === game[1] ? "" : "  ", source, [...head, "", ...rows], school),
    };
  });
}

/** A row of the notation as it stands, with the verdict of the text that it is part of. */
const asWritten = (indent: string, source: string, rows: readonly string[], school: School): Read => {
  const text = `${indent}${source.trim()}`;
  return asItStands(text, checkFor(parse(rows.join("\n")), school).verdict, source);
};

const asItStands = (text: string, verdict: Checked["verdict"], source: string): Read => {
  return {
    proposals: [{ text, verdict, understood: [{ from: 0, to: source.length, as: text }] }],
    question: null,
    kept: [],
  };
};

type Read = Omit<PlainLine, "line" | "source">;

const UNREAD: ReadonlySet<string> = new Set(["syntax", "unknown-move", "not-modelled"]);
/** Returns true for a finding that says that words were not understood. */
export const isUnread = ({ rule }: Pick<Finding, "rule">): boolean => UNREAD.has(rule);

/** Reads one line beside the rows of a header. */
export function readLine(source: string, header: readonly string[], school: School): Read {
  if (source.length > LONGEST_LINE) return { proposals: [], question: null, kept: [source.slice(0, LONGEST_LINE)] };
  if (isFrameRow(source)) return asItStands(source.trim(), "sound", source);
  const marked = markOf(source);
  if (marked) return withMark(marked, readLine(source.slice(marked.length), header, school), { header, school });
  const asItIs = written(numbersOf(source) ?? source, header, school);
  if (asItIs) return { proposals: [asItIs], question: null, kept: [] };
  const pieces = piecesOf(source, school.vocabulary);
  const made = rowOf(pieces);
  if (!made) return { proposals: [], question: null, kept: [source.trim()] };
  let unread = false;
  const proposed = ({ text, understood }: MadeRow): Proposal => {
    const { verdict, findings } = checkFor(parse([...header, "", text].join("\n")), school);
    unread ||= findings.some(isUnread);
    return { text: format(parse(text)).trim(), verdict, understood };
  };
  const first = proposed(made.row);
  // A row that is no notation says that the line was not understood.
  const left = [...pieces.kept, ...made.lost.map(({ from, to }) => source.slice(from, to))];
  const kept = unread && left.length === 0 ? [source.trim()] : left;
  if (!made.asked) return { proposals: [first], question: null, kept };
  const second = proposed(made.asked.other);
  const choices = [first.text, second.text] as const;
  return { proposals: [first, second], question: { text: made.asked.text, choices }, kept };
}

/** A line behind its mark; a row that may come at any time is judged without it, since alone there is no place for it. */
function withMark(
  { mark, length }: { readonly mark: string; readonly length: number },
  read: Read,
  { header, school }: { readonly header: readonly string[]; readonly school: School },
): Read {
  const judged = (text: string, alone: Checked["verdict"]) =>
    mark === "lands: " ? checkFor(parse([...header, "", `${mark}${text}`].join("\n")), school).verdict : alone;
  const proposals = read.proposals.map(({ text, verdict, understood }) => ({
    text: `${mark}${text}`,
    verdict: judged(text, verdict),
    understood: understood.map((one) => ({ ...one, from: one.from + length, to: one.to + length })),
  }));
  const { question } = read;
  const [one, two] = question?.choices ?? [];
  const choices = one !== undefined && two !== undefined ? ([`${mark}${one}`, `${mark}${two}`] as const) : null;
  return { proposals, question: question && choices && { ...question, choices }, kept: read.kept };
}

/** A line that is notation already, or a row of a header; null for all other lines. */
function written(source: string, header: readonly string[], school: School): Proposal | null {
  const text = source.trim();
  const whole = [{ from: 0, to: source.length, as: text }];
  if (isHeaderRow(text)) return { text, verdict: "sound", understood: whole };
  if (!/^[abc]\s.*(?:->|<>)\s*[abc]\s/i.test(text)) return null;
  const score = parse([...header, "", text].join("\n"));
  const { findings, verdict } = checkFor(score, school);
  return findings.some(isUnread) ? null : { text: format(parse(text)).trim(), verdict, understood: whole };
}
