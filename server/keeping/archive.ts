/**
 * A whole school as one open archive (zip): scores as .vics, people and log as CSV for whoever reads it, and all rows as
 * JSON, from which another school is made equal to it.
 */
import { createHash } from "node:crypto";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { array, lazy, mixed, object, string } from "yup";
import { readSchool } from "#core/policy/school.ts";
import {
  ARCHIVED,
  isEmptySchool,
  LATER,
  numberBehind,
  readRows,
  setSettings,
  takeOverRounds,
  writeRows,
  type ArchivedRow,
} from "#db/archive.ts";
import { listNewestTexts } from "#db/drills.ts";
import { listEverybody } from "#db/people.ts";
import { getSchool, setZone } from "#db/school.ts";
import { isZone } from "#core/base/days.ts";
import { db, transaction } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { logFile } from "../learning/log.ts";
import { peopleTable } from "../people/people-forms.ts";
import { refused, type Refusal } from "../web/respond.ts";

const FORMAT = "vicissor-school/1";
const MANIFEST = "manifest.json";
/** All files of an archive together, unpacked, bytes. */
const MOST_BYTES = 1_000_000_000;
const rowsFile = (table: string): string => `rows/${table}.json`;
const hashOf = (bytes: Uint8Array): string => createHash("sha256").update(bytes).digest("hex");

/** A file name of a title: letters and digits, and enough of the id that no two are the same. */
const drillFile = (title: string, id: string): string =>
  `drills/${title.replace(/[^\p{L}\p{N}]+/gu, "-").slice(0, 60)}-${id.slice(0, 8)}.vics`;

export async function exportSchool(scope: Scope): Promise<Uint8Array> {
  const [school, texts, people, log] = await Promise.all([
    getSchool(db, scope),
    listNewestTexts(db, scope),
    listEverybody(db, scope),
    logFile(scope, new URLSearchParams({ as: "csv" })),
  ]);
  const files: Record<string, Uint8Array> = {
    "settings.json": strToU8(JSON.stringify(school?.settings ?? {}, null, 2)),
    "people.csv": strToU8(peopleTable(people)),
    "log.csv": strToU8(log.text),
  };
  for (const { id, title, text } of texts) files[drillFile(title, id)] = strToU8(text);
  const counts: Record<string, number> = {};
  for (const table of ARCHIVED) {
    const rows = await readRows(db, scope, table);
    counts[table] = rows.length;
    files[rowsFile(table)] = strToU8(JSON.stringify(rows, null, 1));
  }
  const manifest = {
    ...{
      format: FORMAT,
      school: school?.name ?? "",
      zone: school?.zone ?? "UTC",
      written: new Date().toISOString(),
      rows: counts,
    },
    files: Object.fromEntries(Object.entries(files).map(([name, bytes]) => [name, hashOf(bytes)])),
  };
  return zipSync({ [MANIFEST]: strToU8(JSON.stringify(manifest, null, 2)), ...files });
}

const manifestSchema = object({
  format: string().oneOf([FORMAT]).required(),
  files: lazy((value: object) =>
    object(
      Object.fromEntries(Object.keys(value ?? {}).map((name) => [name, string().length(64).required()])),
    ).required(),
  ),
}).required();
const rowsSchema = array(
  mixed<ArchivedRow>((row): row is ArchivedRow => typeof row === "object" && row !== null).required(),
).required();

type Unpacked = Readonly<Record<string, Uint8Array>>;

/** The files of an archive; null where it is none, or would fill the memory. */
function unpacked(bytes: Uint8Array): Unpacked | null {
  let size = 0;
  try {
    return unzipSync(bytes, {
      filter: ({ originalSize }) => {
        size += originalSize;
        if (size > MOST_BYTES) throw new Error("too large");
        return true;
      },
    });
  } catch {
    return null;
  }
}
const json = (files: Unpacked, name: string): unknown => {
  try {
    return JSON.parse(strFromU8(files[name] ?? new Uint8Array()));
  } catch {
    return null;
  }
};

/** What is wrong with the files of an archive, in words; null: nothing. */
function faultIn(files: Unpacked): string | null {
  const manifest = json(files, MANIFEST);
  if (!manifestSchema.isValidSync(manifest, { strict: true }))
    return `This is no archive of a school, or one of another version: its manifest must say ${FORMAT}.`;
  const sums = (manifest as { readonly files: Readonly<Record<string, string>> }).files;
  const broken = Object.entries(sums).find(([name, sum]) => !files[name] || hashOf(files[name]) !== sum);
  if (broken) return `The file ${broken[0]} of the archive is missing or was changed. Take a whole one.`;
  const missing = ARCHIVED.find((table) =>
    sums[rowsFile(table)] ? !rowsSchema.isValidSync(json(files, rowsFile(table))) : !LATER.includes(table),
  );
  if (missing) return `The rows of ${missing} are missing or are none. Take a whole archive.`;
  const read = readSchool(json(files, "settings.json"));
  return read.ok ? null : `The settings in it do not hold: ${read.errors[0] ?? ""}`;
}

/** Makes an empty school equal to the one in an archive; all of it or nothing. */
export async function importSchool(scope: Scope, bytes: Uint8Array): Promise<{ readonly rows: number } | Refusal> {
  const files = unpacked(bytes);
  if (!files) return refused("This is no zip file, or a broken one.");
  const fault = faultIn(files);
  if (fault) return refused(fault);
  return transaction(async (tx) => {
    if (!(await isEmptySchool(tx, scope)))
      return refused("This school has people, drills or classes already: an archive goes into an empty one alone.");
    let rows = 0;
    for (const table of ARCHIVED) {
      const own = (json(files, rowsFile(table)) ?? []) as readonly ArchivedRow[];
      await writeRows(tx, scope, table, own);
      rows += own.length;
    }
    await setSettings(tx, scope, json(files, "settings.json") as object);
    if (!files[rowsFile("rounds_run")]) await takeOverRounds(tx, scope);
    const { zone } = json(files, MANIFEST) as { readonly zone?: unknown };
    if (typeof zone === "string" && isZone(zone)) await setZone(tx, scope, zone);
    await numberBehind(tx);
    return { rows };
  });
}
