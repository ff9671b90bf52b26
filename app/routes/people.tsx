import {
  eraseStudent,
  insertStudents,
  listArchived,
  listGear,
  listStudents,
  listWishes,
  setArchived,
  setGear,
  setWish,
  updateStudent,
} from "#db/people.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/context.ts";
import { fieldsOf } from "#server/forms.ts";
import { peopleFromForm, personFromForm, wishFromForm } from "#server/people-forms.ts";
import { reading, writing } from "#server/respond.ts";
import type { Route } from "./+types/people.ts";
import { PeopleScreen } from "../people/people-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = () => [{ title: "People · Vicissor" }];

export function loader({ context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const [people, archived, wishes, gear] = await Promise.all([
      listStudents(db, scope),
      listArchived(db, scope),
      listWishes(db, scope),
      listGear(db, scope),
    ]);
    return { people, archived, wishes, gear };
  });
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const fields = fieldsOf(await request.formData());
  return writing(async () => {
    const id = fields.id ?? "";
    switch (fields.intent) {
      case "add":
      case "import": {
        const read = peopleFromForm(fields.people ?? "");
        if (!read.ok) return { kind: "refused" as const, message: read.message };
        await insertStudents(scope, read.people);
        return { kind: "added" as const, count: read.people.length };
      }
      case "change": {
        const person = await personFromForm(fields.person ?? "{}");
        const saved = await updateStudent(db, scope, { ...person, id }, Number(fields.version));
        return saved
          ? { kind: "changed" as const }
          : {
              kind: "refused" as const,
              message: "Somebody else changed this person meanwhile. Close this, look, and make your change again.",
            };
      }
      case "archive":
      case "restore":
        await setArchived(db, scope, id, fields.intent === "archive");
        return { kind: "changed" as const };
      case "erase":
        await eraseStudent(scope, id);
        return { kind: "changed" as const };
      case "wish": {
        const wish = wishFromForm(fields);
        if (!wish) return { kind: "refused" as const, message: "Choose two different people." };
        await setWish(db, scope, wish, fields.on === "yes");
        return { kind: "changed" as const };
      }
      case "gear": {
        const count = Number(fields.count);
        if (!Number.isInteger(count) || count < 0 || count > 9999)
          return { kind: "refused" as const, message: "Write a whole number from 0 to 9999." };
        await setGear(db, scope, fields.gear ?? "", count);
        return { kind: "changed" as const };
      }
      default:
        return { kind: "refused" as const, message: "Unknown request." };
    }
  });
}

export default function People({ loaderData }: Route.ComponentProps) {
  return <PeopleScreen {...loaderData} />;
}
