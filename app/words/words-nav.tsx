/** The parts of the Words place. */
import { PartsNav } from "../ui/parts-nav.tsx";
import { ForTeachers } from "../ui/role.tsx";

const PARTS = [
  ["/words", "Moves"],
  ["/words/numbering", "Numbering"],
  ["/words/taught", "What is taught first"],
  ["/words/school", "How this school does it"],
] as const;

/** Who reads has the moves alone: the other parts are where a school decides. */
export const WordsNav = () => (
  <ForTeachers>
    <PartsNav label="Parts of Words" parts={PARTS} />
  </ForTeachers>
);
