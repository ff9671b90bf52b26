/** How much is in a drill, in words. */

/** `1 error`, `2 errors`. */
export const counted = (count: number, one: string): string => (count === 1 ? `1 ${one}` : `${count} ${one}s`);

/** `4 exchanges`, `1 game`, or both; a drill with games only has no exchanges to speak of. */
export function sizeWords(exchanges: number, games: number): string {
  const rows = exchanges === 0 && games > 0 ? [] : [counted(exchanges, "exchange")];
  return [...rows, ...(games > 0 ? [counted(games, "game")] : [])].join(", ");
}
