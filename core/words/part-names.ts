/** The parts of the body as words of the notation. Where they lie on a body stands in `core/body/parts.ts`. */

const PART_NAMES = [
  "head",
  "crown",
  "face",
  "eyes",
  "eye",
  "jaw",
  "temple",
  "throat",
  "neck",
  "spine",
  "chest",
  "centre",
  "shoulder",
  "ribs",
  "side",
  "body",
  "belly",
  "groin",
  "hip",
  "leg",
  "thigh",
  "knee",
  "shin",
  "ankle",
  "foot",
  "hand",
  "wrist",
  "forearm",
  "elbow",
  "arm",
  "weapon",
] as const;
export type PartName = (typeof PART_NAMES)[number];

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

const BY_WORD: ReadonlyMap<string, PartName> = new Map([
  ...PART_NAMES.map((name) => [name, name] as const),
  ...Object.entries(SAME),
]);

/** The part a word names, or null. */
export const partNamed = (word: string): PartName | null => BY_WORD.get(word.toLowerCase()) ?? null;
