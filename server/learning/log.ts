/** The log as a page and as files: what is asked for, and how it is written. */
import Papa from "papaparse";
import { FORMULA } from "#core/people/cells.ts";
import { object, string } from "yup";
import { markWord } from "#core/floor/marks.ts";
import { listIncidents, type Incident } from "#db/incidents.ts";
import { EVERYTHING, listLog, type LogFilter, type LogRow } from "#db/log.ts";
import { listEverybody } from "#db/people.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";

/** Rounds on one page, and in one file at most. */
const PAGE_ROWS = 60;
const MOST_IN_FILE = 50_000;

export interface LogPage {
  readonly rows: readonly LogRow[];
  readonly names: Readonly<Record<string, string>>;
  readonly filter: LogFilter;
  readonly page: number;
  /** There is another page behind this one. */
  readonly more: boolean;
  readonly incidents: readonly Incident[];
}

const day = string()
  .matches(/^\d{4}-\d\d-\d\d$/)
  .nullable()
  .default(null);
const filterSchema = object({
  words: string().trim().max(120).default(""),
  person: string().uuid().nullable().default(null),
  from: day,
  to: day,
  marks: string()
    .oneOf(["all", "seen", "open"] as const)
    .default("all"),
});

/** What an address asks for; what cannot be read of it is left out. */
export function filterFrom(asked: URLSearchParams): LogFilter {
  const given = Object.fromEntries([...asked].filter(([, value]) => value !== ""));
  try {
    return filterSchema.validateSync(given, { stripUnknown: true });
  } catch {
    return { ...EVERYTHING, words: (given.words ?? "").slice(0, 120) };
  }
}

export async function logPage(scope: Scope, asked: URLSearchParams): Promise<LogPage> {
  const filter = filterFrom(asked);
  const page = Math.max(0, Math.floor(Number(asked.get("page"))) || 0);
  const [rows, people, incidents] = await Promise.all([
    listLog(db, scope, filter, { limit: PAGE_ROWS + 1, offset: page * PAGE_ROWS }),
    listEverybody(db, scope),
    listIncidents(db, scope),
  ]);
  const names = Object.fromEntries(people.map(({ id, name }) => [id, name]));
  return { rows: rows.slice(0, PAGE_ROWS), names, filter, page, more: rows.length > PAGE_ROWS, incidents };
}

/** A round as it stands in a file; the shape is published in `docs/log.schema.json`. */
interface FiledRound {
  readonly day: string;
  readonly class: string;
  readonly round: number;
  readonly drill: string;
  readonly side: "left" | "right" | null;
  readonly people: readonly string[];
  readonly marks: readonly { readonly person: string; readonly role: string; readonly mark: string }[];
}

const FORMAT = "vicissor-log/1";
const GONE = "Former member";

export async function logFile(
  scope: Scope,
  asked: URLSearchParams,
): Promise<{ readonly type: string; readonly name: string; readonly text: string }> {
  const [rows, people] = await Promise.all([
    listLog(db, scope, filterFrom(asked), { limit: MOST_IN_FILE, offset: 0 }),
    listEverybody(db, scope),
  ]);
  const nameOf = new Map(people.map(({ id, name }) => [id, name]));
  const named = (id: string) => nameOf.get(id) ?? GONE;
  const rounds = rows.map((row): FiledRound => ({
    ...{ day: row.day, class: row.class, round: row.round + 1, drill: row.drill, side: row.side },
    people: row.people.map(named),
    marks: row.marks.map((one) => ({
      person: named(one.person),
      role: one.role,
      mark: markWord({ ...one, text: one.words }),
    })),
  }));
  return asked.get("as") === "json"
    ? { type: "application/json", name: "log.json", text: JSON.stringify({ format: FORMAT, rounds }, null, 2) }
    : { type: "text/csv; charset=utf-8", name: "log.csv", text: csvOf(rounds) };
}

const csvOf = (rounds: readonly FiledRound[]): string =>
  `${Papa.unparse(
    rounds.map(({ people, marks, ...row }) => ({
      ...row,
      ...{ A: people[0] ?? "", B: people[1] ?? "", C: people[2] ?? "" },
      seen: marks.map(({ person, role, mark }) => `${person} ${role}: ${mark}`).join("; "),
    })),
    {
      columns: ["day", "class", "round", "drill", "side", "A", "B", "C", "seen"],
      newline: "\r\n",
      escapeFormulae: FORMULA,
    },
  )}\r\n`;
