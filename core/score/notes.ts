/** Points to watch: what is quoted in a line. */
import type { Line, Word } from "./types.ts";

/** All points to watch of a line, in the order of the text. */
export function notesOf({ turns }: Line): readonly Word[] {
  const notes: Word[] = [];
  for (const turn of turns) {
    if (turn.notes) notes.push(...turn.notes);
    for (const { beats } of turn.alternatives) for (const beat of beats) if (beat.notes) notes.push(...beat.notes);
  }
  return notes;
}
