/** What a try at a door costs: how many are free, and the words for more. Counted in the action, never by the spelling of its address. */
import type { RouterContextProvider } from "react-router";
import { forgetTries, reserveOneOf, reserveTry } from "#db/tries.ts";
import { addressContext, visitorContext } from "../web/context.ts";

/** From one place at one account, and from everywhere at one account: an owner is slowed by strangers, never kept out. */
const FROM_HERE = { free: 5, most: 900 } as const;
const FROM_ANYWHERE = { free: 30, most: 30 } as const;
/** Tries of any kind at the ways in, a minute from one place. */
const WAYS_IN = { most: 60, seconds: 60 } as const;

/** Where a request comes from: its session, else its address. */
export function placeOf(context: Readonly<RouterContextProvider>): string {
  const visitor = context.get(visitorContext);
  return typeof visitor === "string" ? `address ${context.get(addressContext)}` : `session ${visitor.id}`;
}

const words = (seconds: number): string =>
  `There were too many wrong passwords. Try again in ${seconds} second${seconds === 1 ? "" : "s"}.`;

/** Reserves a try at the password of an address before it is looked at; words where none is free. The same for unknown ones. */
export async function reservePassword(email: string, place: string): Promise<string | null> {
  const who = email.trim().toLowerCase();
  const here = await reserveTry(`password ${who} from ${place}`, FROM_HERE);
  if (here !== null) return words(here);
  const anywhere = await reserveTry(`password ${who}`, FROM_ANYWHERE);
  return anywhere === null ? null : words(anywhere);
}

/** The password was right. */
export async function passwordWasRight(email: string, place: string): Promise<void> {
  const who = email.trim().toLowerCase();
  await forgetTries(`password ${who} from ${place}`);
  await forgetTries(`password ${who}`);
}

const TOO_MANY = "There were too many tries in this minute. Wait a moment, and try again.";

/** Counts a try at a way in; words where there were too many from this place. */
export const reserveWayIn = async (place: string): Promise<string | null> =>
  (await reserveOneOf(`way in ${place}`, WAYS_IN)) ? null : TOO_MANY;

/** Letters for a new password, for one address. */
const LETTERS = { most: 3, seconds: 3600 } as const;
export const mayHaveLetter = (email: string): Promise<boolean> =>
  reserveOneOf(`letter ${email.trim().toLowerCase()}`, LETTERS);
