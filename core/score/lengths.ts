/** Lengths as people write them: cm, m, inches, feet and inches. */

/** Centimetres of a length; a bare number is cm. null where the text is none: `71`, `71 cm`, `0.71 m`, `28 in`, `5 ft 9 in`, `5'9"`. */
export function centimetres(text: string): number | null {
  const feet = /^(\d+)\s*(?:ft|feet|foot|['’])\s*(?:(\d+(?:\.\d+)?)\s*(?:in|inch|inches|["”])?)?$/.exec(text);
  if (feet) return round((Number(feet[1]) * 12 + Number(feet[2] ?? "0")) * INCH);
  const plain = /^(\d+(?:\.\d+)?)\s*(cm|m|in|inch|inches|["”])?$/.exec(text);
  if (!plain) return null;
  const value = Number(plain[1]);
  if (plain[2] === undefined || plain[2] === "cm") return value;
  return round(plain[2] === "m" ? value * 100 : value * INCH);
}

/** An inch is 2.54 cm by definition (international yard and pound agreement of 1959). */
const INCH = 2.54;
const round = (cm: number): number => Math.round(cm * 10) / 10;
