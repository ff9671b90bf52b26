/** Passwords: what is one, and what is kept of it. */
import { hash, verify } from "@node-rs/argon2";
import { dictionary } from "@zxcvbn-ts/language-common";
import pLimit from "p-limit";
import { MIN_PASSWORD } from "#core/people/account.ts";

/** Argon2id (RFC 9106): KiB of memory and passes, so that one try takes some 150 ms on two common cores. */
const COST = { memoryCost: 65_536, timeCost: 6, parallelism: 1 } as const;
const LONGEST = 128;

const known: ReadonlySet<string> = new Set(dictionary["passwords-common"]);

/** Words of a password without what is put at its ends to make it look like another. */
const core = (password: string): string =>
  password
    .toLowerCase()
    .normalize("NFKC")
    .replace(/^[^\p{L}]+|[^\p{L}]+$/gu, "");

/** What is wrong with a new password; null where nothing is. `about`: words that others know of its owner. */
export function faultOfPassword(password: string, about: readonly string[]): string | null {
  if (password.length < MIN_PASSWORD) return `Use at least ${MIN_PASSWORD} characters; a few words in a row are good.`;
  if (password.length > LONGEST) return `Use at most ${LONGEST} characters.`;
  if (new Set(password).size < 5) return "This is nearly one letter again and again. Take a few words in a row.";
  const small = password.toLowerCase();
  if (known.has(small) || known.has(core(password)))
    return "This password is on lists of stolen ones, so that it is tried first. Take another.";
  const told = about.flatMap((words) => words.toLowerCase().split(/[\s@.]+/)).filter((word) => word.length > 3);
  const rest = told.reduce((left, word) => left.replaceAll(word, ""), small);
  if (rest.length < MIN_PASSWORD / 2)
    return "This is little more than your name or address. Take words that nobody connects with you.";
  return null;
}

/** Hashes at once, each with 64 MiB, and how many wait behind them: beyond that nothing is gained by waiting. */
const AT_ONCE = 2;
const WAITING = 16;
const slots = pLimit(AT_ONCE);

/** Too many passwords are being looked at: said at once, in words. */
export class TooBusy extends Error {
  constructor() {
    super("Many people sign in at this moment. Nothing was tried; do it again in a few seconds.");
  }
}

function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (slots.pendingCount >= WAITING) return Promise.reject(new TooBusy());
  return slots(work);
}

export const hashPassword = (password: string): Promise<string> => inTurn(() => hash(password, COST));

let nobodys: Promise<string> | null = null;
/** Made outside the turns, once: whoever waits for it holds no place. */
const nobodysHash = (): Promise<string> => (nobodys ??= hash("nobody has this password", COST));

/** Is this the password? Where there is none to compare it takes as long, so that nobody learns who has an account. */
export async function isPassword(kept: string | null, password: string): Promise<boolean> {
  const other = kept ?? (await nobodysHash());
  const right = await inTurn(() => verify(other, password.slice(0, LONGEST)).catch(() => false));
  return right && kept !== null;
}
