/** What the commands share: options, files, a school's own settings, and what is wrong with any of them. */
import { InvalidArgumentError } from "commander";
import { readFileSync } from "node:fs";
import { defaultSchool, readSchool, type School } from "#core/policy/school.ts";

/** Thrown for anything that keeps a command from running; printed as one line, exit 2. */
export class CannotRun extends Error {}

/** What every command that reads drills takes. */
export interface Common {
  readonly json?: true;
  /** A file of a school's own moves, severities and rulings. */
  readonly school?: string;
}

/** Reads a file, or standard input for `-`. */
export function readText(file: string): string {
  try {
    return readFileSync(file === "-" ? 0 : file, "utf8");
  } catch (error) {
    throw new CannotRun(`cannot read ${file}: ${(error as NodeJS.ErrnoException).code ?? "unknown reason"}`);
  }
}

/** The school of a file of settings, or the school as it ships. */
export function schoolFrom(file: string | undefined): School {
  if (file === undefined) return defaultSchool();
  let data: unknown;
  try {
    data = JSON.parse(readText(file));
  } catch (error) {
    if (error instanceof CannotRun) throw error;
    throw new CannotRun(`${file} is no JSON: ${(error as Error).message}`);
  }
  const result = readSchool(data);
  if (!result.ok) throw new CannotRun(`${file}:\n  ${result.errors.join("\n  ")}`);
  return result.school;
}

/** Reads the value of an option that is a whole number from 1. */
export function wholeNumber(value: string): number {
  const number = Number(value);
  if (!Number.isInteger(number) || number < 1) throw new InvalidArgumentError("Write a whole number from 1.");
  return number;
}

/** Reads moves divided by commas. */
export const moveList = (value: string): string[] =>
  value
    .split(",")
    .map((move) => move.trim())
    .filter(Boolean);

/** Prints one object; of several files one a line, each with its file. */
export const printJson = (files: readonly string[], file: string, value: object): void =>
  console.log(JSON.stringify(files.length > 1 ? { file, ...value } : value));
