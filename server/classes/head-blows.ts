/** After a blow to the head: who is asked about before they come in, and what has to be said before they are cleared. */
import { listPresence } from "#db/attendance.ts";
import { clearIncident, clearingOf, notCleared, type Clearing } from "#db/incidents.ts";
import { listPeople } from "#db/people.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { ageOn } from "#core/people/age.ts";
import { teaches } from "../access/hall.ts";
import { refused, type Refusal } from "../web/respond.ts";
import { todayOf } from "../school/school-of.ts";

/** A change that waits for a word of the instructor, in words. */
export interface Asks {
  readonly kind: "asks";
  readonly message: string;
}

/** Who is told no health says only that it is the instructor's to decide. */
const ASK_THEM = "Ask the instructor: this is theirs to decide.";

/**
 * Before somebody comes into a class or a pair: nobody does so on the day of a blow to their head, and on later days an
 * instructor is asked until it is cleared. Null: nothing speaks against it.
 */
export async function askBeforeIn(
  scope: Scope,
  classId: string,
  students: readonly string[],
  asked: "sure" | "not asked",
): Promise<Refusal | Asks | null> {
  const blows = await notCleared(db, scope);
  const concerned = students.filter((id) => blows.has(id));
  if (concerned.length === 0) return null;
  if (!teaches(scope)) return refused(ASK_THEM);
  const names = new Map((await listPeople(db, scope, concerned)).map(({ id, name }) => [id, name]));
  const today = await todayOf(scope);
  for (const id of concerned) {
    const { day, class_id } = blows.get(id)!;
    const name = names.get(id) ?? "They";
    if (day === today || class_id === classId)
      return refused(
        `${name} took a blow to the head today. They stay out for the rest of the day: not left alone, not sent home alone.`,
      );
    if (asked !== "sure")
      return {
        kind: "asks",
        message: `${name} took a blow to the head on ${day} and is not cleared. They can watch, or train without contact, falls, rolling, jumping or kicks, and hold no pads for hard blows. Let them in like that?`,
      };
  }
  return null;
}

/** True where somebody who is not known to be of age is in a class. */
export async function hasMinors(
  scope: Scope,
  { id, held_on }: { readonly id: string; readonly held_on: string },
): Promise<boolean> {
  const here = await listPresence(db, scope, id);
  const people = await listPeople(
    db,
    scope,
    here.map(({ student_id }) => student_id),
  );
  return people.some((one) => ageOn(one, held_on) === "minor");
}

/** Clears somebody for contact: who said so, on which day, never on the day of the blow. Local rules go first. */
export async function clearHead(scope: Scope, one: Clearing): Promise<{ readonly kind: "saved" } | Refusal> {
  const known = await clearingOf(db, scope, one.id);
  if (!known) return refused("This note is not here any more. Load the page again.");
  if (known.day >= known.today) return refused("Nobody is cleared on the day of the blow. Come back to this tomorrow.");
  if (one.by === "") return refused("Write your own name: the adult in charge who clears them.");
  if (one.doctor === "") return refused("Write which doctor said so. Without a doctor’s word nobody is cleared here.");
  const [person] = await listPeople(db, scope, [known.student_id]);
  if (person && ageOn(person, known.today) !== "adult" && one.guardian === "")
    return refused("For a minor, write which guardian said so as well.");
  if (one.said_on <= known.day || one.said_on > known.today)
    return refused("The day on which it was said is after the day of the blow, and not in the future.");
  return (await clearIncident(db, scope, one))
    ? { kind: "saved" }
    : refused("Somebody else wrote on this note meanwhile. Load the page again.");
}
