/**
 * What the school holds of a person, described once: the column of the database, what it is when the person is erased,
 * and the cells of a table that it fills. Every field of a member has its entry, or this does not compile; statements of
 * SQL, erasing and tables are made from it.
 */
import { keysOf } from "../base/keys.ts";
import { FAMILIES } from "./families.ts";
import type { Member } from "./person.ts";

type MemberFields = Omit<Member, "id">;
type Key = keyof MemberFields;

interface Cell<Value> {
  readonly head: string;
  readonly write: (value: Value) => string;
}
interface Column<Value> {
  /** Name in the database. */
  readonly sql: string;
  /** What stands there when the person is erased. */
  readonly erased: Value;
  readonly cells: readonly Cell<Value>[];
  /** As the database is given it; left out: as it is. */
  readonly stored?: (value: Value) => unknown;
}

const text = (head: string): Cell<string> => ({ head, write: (value) => value });
const textOrNone = (head: string): Cell<string | null> => ({ head, write: (value) => value ?? "" });
const number = (head: string): Cell<number | null> => ({
  head,
  write: (value) => (value === null ? "" : String(value)),
});
const yesOrNo = (head: string): Cell<boolean | null> => ({
  head,
  write: (value) => (value === null ? "" : value ? "yes" : "no"),
});

/** In the order of the columns of a table. */
type Columns = { readonly [K in Key]: Column<MemberFields[K]> };
const COLUMNS: Columns = {
  name: { sql: "name", erased: "Former member", cells: [text("name")] },
  height_cm: { sql: "height_cm", erased: null, cells: [number("height cm")] },
  reach_cm: { sql: "reach_cm", erased: null, cells: [number("reach cm")] },
  mass_kg: { sql: "mass_kg", erased: null, cells: [number("mass kg")] },
  lead: { sql: "lead", erased: "left", cells: [{ head: "lead", write: (value) => value }] },
  hand: { sql: "hand", erased: "right", cells: [{ head: "hand", write: (value) => value }] },
  born: { sql: "born", erased: null, cells: [textOrNone("born")] },
  minor: { sql: "minor_said", erased: null, cells: [yesOrNo("minor")] },
  ages: { sql: "ages", erased: null, cells: [{ head: "ages", write: (value) => value ?? "" }] },
  levels: {
    sql: "levels",
    erased: {},
    cells: FAMILIES.map((family) => ({
      head: `level ${family}`,
      write: (value) => (value[family] === undefined ? "" : String(value[family])),
    })),
    stored: (value) => JSON.stringify(value),
  },
  limits: { sql: "limits", erased: [], cells: [{ head: "limits", write: (value) => value.join("; ") }] },
  limits_until: { sql: "limits_until", erased: null, cells: [textOrNone("limits until")] },
  agreed: { sql: "agreed", erased: "", cells: [text("agreed")] },
  falls: { sql: "falls", erased: null, cells: [yesOrNo("learnt to fall")] },
};

const KEYS = keysOf(COLUMNS);

/** One column with the value that goes with it: the two are of one key. */
function storedOf<K extends Key>(key: K, value: MemberFields[K]): unknown {
  const column: Column<MemberFields[K]> = COLUMNS[key];
  return column.stored ? column.stored(value) : value;
}
function cellsOf<K extends Key>(key: K, value: MemberFields[K]): [string, string][] {
  const column: Column<MemberFields[K]> = COLUMNS[key];
  return column.cells.map(({ head, write }) => [head, write(value)]);
}
function erasedOf<K extends Key>(key: K): unknown {
  const column: Column<MemberFields[K]> = COLUMNS[key];
  return storedOf(key, column.erased);
}

/** Columns of the database by their keys, in one order everywhere. */
export const MEMBER_SQL: readonly { readonly key: Key; readonly sql: string }[] = KEYS.map((key) => ({
  key,
  sql: COLUMNS[key].sql,
}));

/** Values of a member in the order of `MEMBER_SQL`, as the database takes them. */
export const memberValues = (member: MemberFields): unknown[] => KEYS.map((key) => storedOf(key, member[key]));

/** What stands in each of these columns when the person is erased: nothing of them. */
export const erasedValues = (): unknown[] => KEYS.map((key) => erasedOf(key));

/** Heads of the columns of a table of people. */
export const MEMBER_HEADS: readonly string[] = KEYS.flatMap((key) => COLUMNS[key].cells.map(({ head }) => head));

/** People as cells in our units, ready to be written to a file. */
export const peopleCells = (people: readonly Member[]): Record<string, string>[] =>
  people.map((person) => Object.fromEntries(KEYS.flatMap((key) => cellsOf(key, person[key]))));
