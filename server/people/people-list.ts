/** The list of people: whole where it is short; of a long one the part that is asked for, by the rules of the screen. */
import { peopleListed, USUAL } from "#core/lists/people-list.ts";
import { askedIn, shownOf, WHOLE } from "#core/lists/rows-shown.ts";
import { listArchived, listPeople, listStudents } from "#db/people.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { personViews } from "./person-views.ts";
import { todayOf } from "../school/school-of.ts";
import type { PersonView } from "../views.ts";

const UUID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

interface PeopleListPage {
  /** Which people these are: who is archived is sent only where they are asked for. */
  readonly part: "people" | "archived";
  readonly people: readonly PersonView[];
  /** How many fit what is asked for; null: all people of the part were sent. */
  readonly rows: number | null;
  /** The one whose card is to be open; null where nobody is asked for, or nobody is here by that id. */
  readonly asked: PersonView | null;
  /** Of whom nobody has said whether they are of age; names to be asked about. */
  readonly unsaid: readonly { readonly id: string; readonly name: string }[];
}

export async function peopleListPage(scope: Scope, search: URLSearchParams): Promise<PeopleListPage> {
  const asked = askedIn(search, USUAL);
  const part = asked.part === "archived" ? "archived" : "people";
  const id = search.get("person") ?? "";
  const [rows, asks, today] = await Promise.all([
    part === "archived" ? listArchived(db, scope) : listStudents(db, scope),
    UUID.test(id) ? listPeople(db, scope, [id]) : [],
    todayOf(scope),
  ]);
  const all = personViews(rows, today);
  const [one = null] = personViews(asks, today);
  const unsaid =
    part === "archived"
      ? []
      : all.filter(({ age }) => age === "unknown").map((who) => ({ id: who.id, name: who.name }));
  if (all.length <= WHOLE) return { part, people: all, rows: null, asked: one, unsaid };
  const found = peopleListed(all, asked);
  return { part, people: found.slice(0, shownOf(asked)), rows: found.length, asked: one, unsaid };
}
