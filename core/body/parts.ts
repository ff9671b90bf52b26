/**
 * Parts of the body as words of the notation, mapped to the zones that the checker tests.
 * u: to the owner's right, share of H (sided parts: amount on their own side); w: height, share of H.
 * Heights: head centre .935, eyes .936, chin .870 (Drillis and Contini 1966, as tabled in Winter);
 * the rest placed between them: common practice, no source.
 */
export const ZONES = [
  "head",
  "neck",
  "chest",
  "belly",
  "hips",
  "thigh left",
  "thigh right",
  "knee left",
  "knee right",
  "shin left",
  "shin right",
  "arm left",
  "arm right",
] as const;
export type Zone = (typeof ZONES)[number];

export interface PartData {
  /** Zone without its side, for sided zones. */
  readonly zone: "head" | "neck" | "chest" | "belly" | "hips" | "thigh" | "knee" | "shin" | "arm";
  readonly u: number;
  readonly w: number;
  readonly sided: boolean;
  /** Set where the part is no target in a class: what to train on instead. */
  readonly trainOn?: string;
}

const part = (zone: PartData["zone"], w: number, u = 0, trainOn?: string): PartData => ({
  zone,
  u,
  w,
  sided: u > 0,
  ...(trainOn ? { trainOn } : {}),
});

export const PARTS = {
  head: part("head", 0.935),
  crown: part("head", 0.99),
  face: part("head", 0.905),
  eyes: part("head", 0.936, 0, "brow pad"),
  eye: part("head", 0.936, 0.018, "brow pad"),
  jaw: part("head", 0.87),
  temple: part("head", 0.94, 0.03),
  throat: part("neck", 0.84, 0, "chest"),
  neck: part("neck", 0.84, 0, "chest"),
  spine: part("chest", 0.7, 0, "mitt"),
  chest: part("chest", 0.735, 0.045),
  centre: part("chest", 0.735),
  shoulder: part("chest", 0.8, 0.1),
  ribs: part("belly", 0.645, 0.065),
  side: part("belly", 0.62, 0.075),
  body: part("belly", 0.62),
  belly: part("belly", 0.6),
  groin: part("hips", 0.49, 0, "thigh"),
  hip: part("hips", 0.52, 0.07),
  leg: part("thigh", 0.39, 0.06),
  thigh: part("thigh", 0.39, 0.06),
  knee: part("knee", 0.285, 0.06, "thigh"),
  shin: part("shin", 0.17, 0.06),
  ankle: part("shin", 0.06, 0.06),
  foot: part("shin", 0.03, 0.06),
  hand: part("arm", 0.78, 0.08),
  wrist: part("arm", 0.76, 0.09),
  forearm: part("arm", 0.72, 0.1),
  elbow: part("arm", 0.63, 0.12),
  arm: part("arm", 0.72, 0.11),
  weapon: part("arm", 0.8, 0.1),
} as const satisfies Record<string, PartData>;
export type PartName = keyof typeof PARTS;

const SAME: Record<string, PartName> = {
  center: "centre",
  torso: "body",
  stomach: "belly",
  chin: "jaw",
  liver: "ribs",
  flank: "side",
  "weapon arm": "weapon",
  stick: "weapon",
  collar: "shoulder",
  heel: "foot",
  legs: "leg",
  hips: "hip",
};

/** The part a word names, or null. */
export function partNamed(word: string): PartName | null {
  const lower = word.toLowerCase();
  if (lower in PARTS) return lower as PartName;
  return SAME[lower] ?? null;
}

/** True for parts that are the hand and arm (or what it holds), of which a pin takes hold. */
export const isArmPart = (name: PartName): boolean => PARTS[name].zone === "arm";
export const isLegPart = (name: PartName): boolean =>
  (["thigh", "knee", "shin"] as readonly string[]).includes(PARTS[name].zone);
