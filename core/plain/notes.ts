/** What coaches write beside a row and is no part of it: bullets, repetitions, minutes, how hard. */
import { PLAIN } from "./plain-words.ts";

/** Returns a line without bullets, numbers of a list and notes of a row; places stay as they are. `kept`: the notes. */
export function withoutNotes(line: string): { line: string; kept: string[]; sameTime: boolean } {
  const kept: string[] = [];
  const blank = (text: string) => " ".repeat(text.length);
  let left = line.replace(/^\s*(?:[-*•·]+|\d{1,2}[.)])\s+/u, blank);
  for (const note of PLAIN.notes)
    left = left.replace(note, (text) => {
      kept.push(text.trim());
      return blank(text);
    });
  let sameTime = false;
  for (const said of PLAIN.sameTime)
    left = left.replace(said, (text) => {
      sameTime = true;
      return blank(text);
    });
  return { line: left, kept, sameTime };
}
