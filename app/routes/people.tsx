import {
  insertStudents,
  listGear,
  listWishes,
  sayOfPeople,
  setArchived,
  setGear,
  setWish,
  updateStudent,
} from "#db/people.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/web/context.ts";
import { idIn, idsIn } from "#server/web/forms.ts";
import { erasePerson } from "#server/keeping/erase.ts";
import { gearFromForm, peopleFromForm, personFromForm, wishFromForm } from "#server/people/people-forms.ts";
import { peopleListPage } from "#server/people/people-list.ts";
import { mustBeHere, reading, refused, writing } from "#server/web/respond.ts";
import type { Route } from "./+types/people.ts";
import { PeopleScreen } from "../people/people-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = () => [{ title: "People · Vicissor" }];

export function loader({ request, context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const search = new URL(request.url).searchParams;
    const [list, wishes, gear] = await Promise.all([
      peopleListPage(scope, search),
      listWishes(db, scope),
      listGear(db, scope),
    ]);
    return { list, wishes, gear };
  });
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  return writing({ request, context }, async (fields) => {
    switch (fields.intent) {
      case "add":
      case "import": {
        const people = peopleFromForm(fields.people);
        await insertStudents(scope, people);
        return { kind: "added" as const, count: people.length };
      }
      case "change": {
        const person = await personFromForm(fields.person);
        const saved = await updateStudent(db, scope, { ...person, id: idIn(fields.id) }, Number(fields.version));
        return saved
          ? { kind: "changed" as const }
          : refused("Somebody else changed this person meanwhile. Close this, look, and make your change again.");
      }
      case "archive":
      case "restore":
        await mustBeHere(scope, "students", [idIn(fields.id)]);
        await setArchived(db, scope, { id: idIn(fields.id), archived: fields.intent === "archive" });
        return { kind: "changed" as const };
      case "erase":
        return erasePerson(scope, idIn(fields.id));
      case "of age":
      case "minor":
        await mustBeHere(scope, "students", idsIn(fields.ids));
        await sayOfPeople(db, scope, idsIn(fields.ids), { what: "minor", is: fields.intent === "minor" });
        return { kind: "changed" as const };
      case "wish": {
        const wish = wishFromForm(fields);
        if (!wish) return refused("Choose two different people.");
        await setWish(db, scope, wish, fields.on === "yes" ? "set" : "taken out");
        return { kind: "changed" as const };
      }
      case "gear": {
        const count = gearFromForm(fields);
        return (await setGear(db, scope, count))
          ? { kind: "changed" as const }
          : refused("Somebody else changed this number meanwhile. It is shown as it is now; change it again.");
      }
      default:
        return refused("This page is older than the application. Load it again.");
    }
  });
}

export default function People({ loaderData }: Route.ComponentProps) {
  // A search leads to somebody, here too.
  return <PeopleScreen key={loaderData.list.asked?.id ?? ""} {...loaderData} />;
}
