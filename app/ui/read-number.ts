/** A number as people type it, with a point or a comma: null where nothing is typed, NaN where it is no number. */
export function readNumber(text: string): number | null {
  const plain = text.trim();
  if (plain === "") return null;
  return /^\d{1,4}(?:[.,]\d{0,3})?$/.test(plain) ? Number(plain.replace(",", ".")) : NaN;
}
