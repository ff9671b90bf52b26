/** The parts of the Words place. */
import { PartsNav } from "../ui/parts-nav.tsx";

const PARTS = [
  ["/words", "Moves"],
  ["/words/numbering", "Numbering"],
  ["/words/taught", "What is taught first"],
  ["/words/school", "How this school does it"],
] as const;

export const WordsNav = () => <PartsNav label="Parts of Words" parts={PARTS} />;
