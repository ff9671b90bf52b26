/** The hours of a class: until when it counts as tonight's, and from when a tap of its floor is believed. */

/** A class as its hours need it. */
interface Held {
  /** The instant at which it begins, ms. */
  readonly begins: number;
  readonly minutes: number;
}

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
/** People put up the mats and start the clock early, and tidy the notes up late. Common practice, no source. */
export const BEFORE = 2 * HOUR;
/** How long after its end a class still counts as tonight, ms. */
export const AFTER = 6 * HOUR;

/** The instant at which a class is over for good, ms: some hours after its end, whatever day it is by then. */
const overAt = ({ begins, minutes }: Held): number => begins + minutes * MINUTE + AFTER;

/** True once a class is over for good. */
export const isOver = (held: Held, now: number): boolean => now > overAt(held);

/** True for an instant at which the floor of a class can have been tapped. */
export const isWithin = (held: Held, at: number): boolean => at >= held.begins - BEFORE && at <= overAt(held);
