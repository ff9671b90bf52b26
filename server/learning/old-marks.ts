/** Answers of people who held pads or fed for a whole round cannot have been: they are kept as doubtful. */
import { rolesIn } from "#core/class/roles.ts";
import { leaveTheRest, listOldAnswers, setDoubtful, type OldMark } from "#db/old-marks.ts";
import { db } from "#db/pool.ts";

const AT_ONCE = 2000;

/** With pads each holds for a whole round, unless the plan says that roles changed within it. */
export function isDoubtful({ is_first, text, people, round, change }: Omit<OldMark, "school_id" | "id">): boolean {
  if (!is_first || people !== 2) return false;
  const { pads, fed } = rolesIn(text);
  const forAll = round === null || change === null ? pads : change >= round;
  return fed && forAll;
}

/** Looks at every answer of before once; gives how many are doubtful. */
export async function doubtOldMarks(): Promise<number> {
  let doubtful = 0;
  for (;;) {
    const marks = await listOldAnswers(db, AT_ONCE);
    if (marks.length === 0) break;
    const those = marks.filter(isDoubtful);
    doubtful += those.length;
    await setDoubtful(db, those, "doubtful");
    await setDoubtful(
      db,
      marks.filter((one) => !those.includes(one)),
      "as they say",
    );
  }
  await leaveTheRest(db);
  return doubtful;
}
