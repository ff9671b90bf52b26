/** People as rows of a table: read with their units, written with ours. */
import { ValidationError } from "yup";
import { plainCell } from "./cells.ts";
import { AGES, type Ages } from "../pairs/ages.ts";
import { readBorn, slashOrder, type Aged, type SlashOrder } from "./age.ts";
import { FAMILIES } from "./families.ts";
import { MEMBER_HEADS } from "./member-columns.ts";
import { BOUNDS, memberSchema, type Member, type MemberForm } from "./person.ts";

/** The cells of a row by their column. */
export type Cells = Readonly<Record<string, string>>;

/** Columns as they are written; each is also known by other words. */
export const COLUMNS = MEMBER_HEADS;

const ALIASES: Readonly<Record<string, string>> = {
  "full name": "name",
  person: "name",
  height: "height cm",
  size: "height cm",
  "height in": "height in",
  reach: "reach cm",
  span: "reach cm",
  mass: "mass kg",
  weight: "mass kg",
  "weight kg": "mass kg",
  "weight lb": "mass lb",
  stance: "lead",
  "lead side": "lead",
  handed: "hand",
  level: "level feeder",
  experience: "level feeder",
  grade: "level feeder",
  "dominant hand": "hand",
  "front foot": "lead",
  // As German, Spanish and French clubs head them; anything else is chosen by hand.
  vorname: "name",
  nachname: "name",
  nombre: "name",
  apellido: "name",
  nom: "name",
  prénom: "name",
  größe: "height cm",
  groesse: "height cm",
  altura: "height cm",
  taille: "height cm",
  reichweite: "reach cm",
  gewicht: "mass kg",
  peso: "mass kg",
  poids: "mass kg",
  führhand: "lead",
  schlaghand: "hand",
  age: "ages",
  dob: "born",
  "date of birth": "born",
  "birth date": "born",
  birthdate: "born",
  birthday: "born",
  "born on": "born",
  geburtsdatum: "born",
  "geboren am": "born",
  "fecha de nacimiento": "born",
  nacimiento: "born",
  "date de naissance": "born",
  "né le": "born",
  "née le": "born",
  under18: "minor",
  "under 18": "minor",
  falls: "learnt to fall",
  breakfalls: "learnt to fall",
  "break falls": "learnt to fall",
  "age band": "ages",
  minderjährig: "minor",
  menor: "minor",
  mineur: "minor",
};

/** A row of a table of people. */
export interface ReadRow {
  /** Row of the file, from 1; the header is row 1. */
  readonly row: number;
  readonly person: MemberForm | null;
  /** What is wrong, in words that name the column and how to mend it. */
  readonly faults: readonly string[];
  /** Somebody of this name is here already, or stands in the file before. */
  readonly duplicate: boolean;
}

/** Most rows of a table of people. */
export const MOST_ROWS = 5000;
const CM_PER_INCH = 2.54;
const KG_PER_POUND = 0.45359237;

const plainKey = (key: string): string =>
  key
    .trim()
    .toLowerCase()
    .replace(/[()_,.]/g, " ")
    .replace(/\s+/g, " ")
    .trim();

/** Reads rows of cells; `known`: names that are in the list already. */
export function readPeople(rows: readonly Cells[], known: readonly string[]): ReadRow[] {
  const seen = new Set(known.map((n) => n.trim().toLowerCase()));
  const order = slashOrder(rows.map((cells) => bornCell(cells)));
  return rows.slice(0, MOST_ROWS).map((cells, i): ReadRow => {
    const faults: string[] = [];
    const by = new Map(Object.entries(cells).map(([key, value]) => [canonical(key), plainCell(value ?? "")]));
    const text = (key: string) => by.get(key) ?? "";
    const draft = {
      name: text("name"),
      height_cm: length("height", by, faults),
      reach_cm: length("reach", by, faults),
      mass_kg: mass(by, faults),
      lead: side(text("lead"), "lead", "left", faults),
      hand: side(text("hand"), "hand", "right", faults),
      ...ageOf({ born: text("born"), minor: text("minor"), years: text("ages") }, order, faults),
      levels: levels(by, faults),
      limits: text("limits")
        .split(/\s*;\s*/)
        .filter(Boolean),
      limits_until: text("limits until") || null,
      agreed: text("agreed"),
      falls: said(text("learnt to fall"), "learnt to fall", faults),
    };
    let person: MemberForm | null = null;
    try {
      person = memberSchema.validateSync(draft, { abortEarly: false });
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      faults.push(...error.errors);
    }
    const key = draft.name.toLowerCase();
    const duplicate = key !== "" && seen.has(key);
    seen.add(key);
    return { row: i + 2, person: faults.length > 0 ? null : person, faults, duplicate };
  });
}

/** Columns by other units than the list's own. */
const OTHER_UNITS = new Set(["height in", "reach in", "mass lb"]);

/** True for the name of a column that is read, in any of its names. */
function isColumn(key: string): boolean {
  const name = canonical(key);
  return COLUMNS.includes(name) || OTHER_UNITS.has(name);
}

/** What a column of a file is read as; null where it is left out. */
export type ColumnMap = Readonly<Record<string, string | null>>;

/** What the columns of a file may be read as. */
export const READ_AS: readonly string[] = [...COLUMNS, ...OTHER_UNITS];

/** What each column of a file is by its name; null for those whose names say nothing. */
export const guessColumns = (fields: readonly string[]): ColumnMap =>
  Object.fromEntries(fields.map((field) => [field, isColumn(field) ? canonical(field) : null]));

/** Cells under the names that their columns are read as; several columns of one name are one text, first name first. */
export function readAs(cells: Cells, columns: ColumnMap): Cells {
  const made: Record<string, string> = {};
  for (const [field, value] of Object.entries(cells)) {
    const name = columns[field];
    if (name) made[name] = [made[name], value?.trim()].filter(Boolean).join(" ");
  }
  return made;
}

function canonical(key: string): string {
  const plain = plainKey(key);
  return COLUMNS.includes(plain) ? plain : (ALIASES[plain] ?? plain);
}

/** `1,78` and `1.78` are the same number; `1,780.5` is not guessed at. */
function decimal(text: string): number | null {
  const plain = text.replace(/\s/g, "");
  return /^\d+(?:[.,]\d+)?$/.test(plain) ? Number(plain.replace(",", ".")) : null;
}

/** A height or reach in cm; m, inches and feet are understood where they are written. */
function length(what: "height" | "reach", by: ReadonlyMap<string, string>, faults: string[]): number | null {
  const inches = by.get(`${what} in`);
  const text = inches ? `${inches} in` : (by.get(`${what} cm`) ?? "");
  if (text === "") return null;
  const feet = /^(\d+)\s*(?:ft|')\s*(\d+(?:[.,]\d+)?)?\s*(?:in|"|'')?$/.exec(text);
  if (feet) return round((Number(feet[1]) * 12 + (decimal(feet[2] ?? "0") ?? 0)) * CM_PER_INCH);
  const found = /^([\d.,\s]+?)\s*(cm|m|in|inch|inches|")?$/i.exec(text);
  const value = found && decimal(found[1]!);
  if (value === null || value === undefined) {
    faults.push(`${what}: “${text}” is no length; write 178, 178 cm, 1.78 m, 70 in or 5 ft 10`);
    return null;
  }
  const unit = found![2]?.toLowerCase();
  if (unit === "m" || (!unit && value < 3)) return round(value * 100);
  if (unit && unit !== "cm") return round(value * CM_PER_INCH);
  if (!unit && value < BOUNDS[what][0]) {
    faults.push(`${what}: ${text} is no ${what} in cm; write ${text} in if inches are meant`);
    return null;
  }
  return round(value);
}

function mass(by: ReadonlyMap<string, string>, faults: string[]): number | null {
  const pounds = by.get("mass lb");
  const text = pounds ? `${pounds} lb` : (by.get("mass kg") ?? "");
  if (text === "") return null;
  const found = /^([\d.,\s]+?)\s*(kg|lb|lbs)?$/i.exec(text);
  const value = found && decimal(found[1]!);
  if (value === null || value === undefined) {
    faults.push(`mass: “${text}” is no mass; write 72, 72 kg or 159 lb`);
    return null;
  }
  return round(found![2] && /^lb/i.test(found![2]) ? value * KG_PER_POUND : value);
}

const round = (value: number): number => Math.round(value * 10) / 10;

function side(text: string, what: string, usual: "left" | "right", faults: string[]): "left" | "right" {
  const word = text.toLowerCase();
  if (word === "") return usual;
  if (/^(l|left|orthodox|links|izquierda|gauche)$/.test(word))
    return word === "orthodox" && what === "hand" ? usual : "left";
  if (/^(r|right|southpaw|rechts|derecha|droite)$/.test(word)) return "right";
  faults.push(`${what}: “${text}” must be left or right`);
  return usual;
}

/** Yes or no where it is said; null where the cell is empty: nobody has said. */
function said(text: string, what: string, faults: string[]): boolean | null {
  const word = text.toLowerCase();
  if (word === "") return null;
  if (["no", "n", "0", "false", "adult", "nein", "non"].includes(word)) return false;
  if (["yes", "y", "1", "true", "minor", "ja", "j", "sí", "si", "oui"].includes(word)) return true;
  faults.push(`${what}: “${text}” must be yes or no`);
  return null;
}

const bornCell = (cells: Cells): string =>
  plainCell(Object.entries(cells).find(([key]) => canonical(key) === "born")?.[1] ?? "");

/** What a row says of an age. A date of birth or an age that stands under “minor” is read as what it is. */
function ageOf(
  cells: { readonly born: string; readonly minor: string; readonly years: string },
  order: SlashOrder,
  faults: string[],
): Aged {
  const isDate = /^\d{1,4}[./-]/.test(cells.minor);
  const bornText = cells.born || (isDate ? cells.minor : "");
  const read = bornText === "" ? null : readBorn(bornText, order);
  if (read && "fault" in read) faults.push(read.fault);
  const isYears = /^\d{1,3}$/.test(cells.minor) && Number(cells.minor) > 1;
  const years = cells.years || (isYears ? cells.minor : "");
  const ages = bandOf(years, faults);
  const word = isDate || isYears ? null : said(cells.minor, "minor", faults);
  // Whose age is said is a minor or grown up, whatever the other column leaves out.
  const byYears = years === "" ? null : ages !== null;
  return { born: read && "born" in read ? read.born : null, minor: byYears || word ? true : (byYears ?? word), ages };
}

/** `7-9`, `7–9`, or an age in years; who is grown up has none. */
function bandOf(text: string, faults: string[]): Ages | null {
  const plain = text.replace(/\s/g, "").replace(/[–—]/g, "-");
  if (plain === "") return null;
  const known = AGES.find((band) => band === plain);
  if (known) return known;
  const years = /^\d+$/.test(plain) ? Number(plain) : null;
  const found = AGES.find((band) => {
    const [from, to] = band.split("-").map(Number);
    return years !== null && years >= from! && years <= to!;
  });
  if (!found && (years === null || years < 18))
    faults.push(`ages: “${text}” must be one of ${AGES.join(", ")}, or years`);
  return found ?? null;
}

/** Levels as clubs write them. Common practice, no source. */
const LEVEL_WORDS: Readonly<Record<string, number>> = {
  ...{ new: 1, beginner: 1, beginners: 1, novice: 1, white: 1 },
  ...{ improver: 2, intermediate: 3, intermediates: 3, experienced: 4, advanced: 4, expert: 5, teacher: 5, coach: 5 },
  instructor: 5,
};

function levels(by: ReadonlyMap<string, string>, faults: string[]): Member["levels"] {
  const found: Partial<Record<(typeof FAMILIES)[number], number>> = {};
  for (const family of FAMILIES) {
    const text = by.get(`level ${family}`) ?? "";
    if (text === "") continue;
    const level = /^[1-5]$/.test(text) ? Number(text) : LEVEL_WORDS[text.toLowerCase()];
    if (level !== undefined) found[family] = level;
    else faults.push(`level ${family}: “${text}” must be 1 to 5, or beginner, intermediate, advanced`);
  }
  return found;
}
