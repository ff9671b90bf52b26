/** Days as they are shown. */

const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
/** `2026-11-25` as `25 Nov`: the day as it stands, in no time zone. */
export const shortDate = (iso: string): string => `${Number(iso.slice(8, 10))} ${MONTHS[Number(iso.slice(5, 7)) - 1]}`;

/** `2026-11-25` as `25 Nov 2026`. */
export const longDate = (iso: string): string => `${shortDate(iso)} ${iso.slice(0, 4)}`;
