/** One search over everything of a school: drills by title and by the moves in them, people, classes, moves. */
import { findClasses, findDrills, findPeople, type DrillHit } from "#db/search.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { lookUp } from "#core/plain/look-up.ts";
import { namesOf } from "#core/words/find.ts";
import type { Vocabulary } from "#core/words/vocabulary.ts";
import { teaches } from "../access/hall.ts";
import { schoolOf } from "../school/school-of.ts";
import type { FoundView } from "../views.ts";

/** Hits of one kind; more is found by more letters. */
const MOST = 6;
/** Drills that are looked through for a move. */
const MOST_DRILLS = 60;
/** Moves by whose names drills are looked through. */
const MOVES = 3;
/** Letters from which on a text is looked through. */
const ENOUGH = 3;
const LONGEST = 60;

/** A pattern for a text that names one of the moves that words mean; null where they mean none. */
export function patternFor(typed: string, vocabulary: Vocabulary): string | null {
  if (typed.length < ENOUGH) return null;
  const names = lookUp(vocabulary, typed, MOVES).moves.flatMap(({ move }) => namesOf(move, vocabulary));
  const spelt = names.filter((name) => name.length >= ENOUGH).map((name) => name.replace(/\W/g, "[- ]"));
  return spelt.length > 0 ? `\\m(?:${spelt.join("|")})\\M` : null;
}

/** The row of a drill that was found, where it was found by what is in it. */
function rowOf({ text, by_title }: DrillHit, pattern: string | null): string | null {
  if (by_title || !pattern) return null;
  const test = new RegExp(pattern.replace("\\m", "\\b").replace("\\M", "\\b"), "i");
  return (
    text
      .split("\n")
      .find((row) => !/^\w[\w ]*:\s/.test(row) && test.test(row))
      ?.trim() ?? null
  );
}

/** What is found for what was typed, a few of each kind. */
export async function searchEverything(scope: Scope, asked: string, drillsWanted: "few" | "all"): Promise<FoundView> {
  const typed = asked.trim().slice(0, LONGEST);
  if (typed === "") return { drills: [], people: [], classes: [], moves: [], instead: null };
  const { vocabulary } = await schoolOf(scope);
  const pattern = patternFor(typed, vocabulary);
  const [drills, people, classes] = await Promise.all([
    findDrills(db, scope, { typed, pattern, most: drillsWanted === "all" ? 2000 : MOST_DRILLS }),
    // Who has no list of people is led to nobody's card.
    teaches(scope) ? findPeople(db, scope, typed, MOST) : [],
    findClasses(db, scope, typed, MOST),
  ]);
  const hits = drills.flatMap((hit) => {
    const row = rowOf(hit, pattern);
    return hit.by_title || row !== null ? [{ id: hit.id, title: hit.title, row }] : [];
  });
  const { moves, instead } = lookUp(vocabulary, typed, MOST);
  return {
    drills: drillsWanted === "all" ? hits : hits.slice(0, MOST),
    people,
    classes,
    moves: moves.map(({ move, name }) => ({ id: move.id, name: move.name, by: name })),
    instead,
  };
}
