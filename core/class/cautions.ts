/** What is said on every card, and the rows of a score that people on the floor need. */

/** Cautions for every class. */
export const CAUTIONS = [
  "“Stop” ends everything at once; anybody may say it at any time.",
  "Slow before fast. Gear by tempo and tool; training blades only. No contact to eyes, throat, groin, spine, back of the head or knees. This sheet checks the logic of the drill; the instructor, local law and the rules of insurer and federation decide what may be practised.",
] as const;

/** What ends a hold: a person who is held cannot always speak. Common practice, no source. */
export const TAP = "Two taps end a hold at once: on the partner, on yourself, on the mat. Let go at the first.";

/** What both know of a row that may come at any time. Common practice, no source. */
export const ANY_TIME = "Both know which one it is. First at half speed between two rows; one in ten at most.";

/** The cautions of a drill, the tap first where somebody is held. */
export const cautionsFor = ({ taps }: { readonly taps: boolean }): readonly string[] =>
  taps ? [TAP, ...CAUTIONS] : CAUTIONS;

/** The rows of a text that people on the floor need: who holds what, and the play. */
export const playRows = (text: string): string[] =>
  text
    .split("\n")
    .filter(
      (row) =>
        row.trim() !== "" &&
        !/^\s*(#|(title|kind|level|range|tempo|focus|contact|context|mats|numbering|tradition)\s*:)/i.test(row),
    );
