import { dropPlan, getClass, getPlan, listPairs, seatsOf } from "#db/classes.ts";
import { setMinutes } from "#db/class-length.ts";
import { minutesFromForm } from "#server/term/term.ts";
import { bringBack, listPresence, setEverybody, setTonightNot } from "#db/attendance.ts";
import { listDrillHeads } from "#db/drills.ts";
import { notCleared } from "#db/incidents.ts";
import { listGear, listPeople, listStudents } from "#db/people.ts";
import { db } from "#db/pool.ts";
import { pairsFor, peopleFor } from "#server/access/hall.ts";
import { WORDS } from "#server/classes/keep-plan.ts";
import { scopeContext } from "#server/web/context.ts";
import { idIn, presentFromForm, tonightFrom } from "#server/web/forms.ts";
import { changeRound, pairRound } from "#server/classes/one-round.ts";
import { personViews } from "#server/people/person-views.ts";
import { pairViews } from "#server/classes/pair-views.ts";
import { mustBeHere, notFound, reading, refused, writing } from "#server/web/respond.ts";
import { settingsOf } from "#server/school/school-of.ts";
import type { Route } from "./+types/class.ts";
import { ClassScreen } from "../class/class-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.lesson.title ?? "Class"} · Vicissor` },
];

export function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const lesson = await getClass(db, scope, params.id);
    if (!lesson) throw notFound("This class is not here.");
    const [members, present, pairs, drills, gear, plan] = await Promise.all([
      listStudents(db, scope),
      listPresence(db, scope, params.id),
      listPairs(db, scope, params.id),
      listDrillHeads(db, scope),
      listGear(db, scope),
      getPlan(db, scope, params.id),
    ]);
    const here = present.map((p) => p.student_id);
    const known = new Set(members.map(({ id }) => id));
    // Who was archived since stays in the classes that they were in.
    const left = [...here, ...pairs.flatMap(seatsOf)].filter((id) => !known.has(id));
    const everybody = personViews(
      [...members, ...(left.length > 0 ? await listPeople(db, scope, left) : [])],
      lesson.held_on,
    );
    return {
      lesson,
      planned: plan?.plan.rounds.length ?? null,
      students: peopleFor(
        scope,
        everybody.filter((s) => !s.archived || here.includes(s.id)),
        here,
      ),
      present: here,
      not: Object.fromEntries(present.map((p) => [p.student_id, p.tonight_not])),
      gear,
      pairs: pairsFor(scope, await pairViews(pairs, everybody, await settingsOf(scope))),
      drills: drills.map(({ id, title, verdict, kind, load_total, parent_id }) => ({
        id,
        title,
        verdict,
        kind,
        load: load_total,
        parent: parent_id,
      })),
    };
  });
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  return writing({ request, context }, async (fields) => {
    await mustBeHere(scope, "classes", [idIn(params.id)]);
    const version = Number(fields.version);
    switch (fields.intent) {
      case "tonight":
        await setTonightNot(db, scope, params.id, {
          studentId: idIn(fields.student),
          not: tonightFrom(fields.not),
        });
        return { kind: "ok" as const };
      case "everybody": {
        const all = fields.on === "yes";
        // Who takes everybody out by a slip gets them back as they were.
        const were = all ? [] : await listPresence(db, scope, params.id);
        const blows = all ? [...(await notCleared(db, scope)).keys()] : [];
        await setEverybody(db, scope, params.id, all ? "all" : "none", blows);
        return { kind: "ticked" as const, were, asked: blows.length };
      }
      case "back":
        await bringBack(db, scope, params.id, presentFromForm(fields.were));
        return { kind: "ok" as const };
      case "pair":
        return pairRound(scope, params.id, { drillId: idIn(fields.drill), version });
      case "swap":
        return changeRound(scope, params.id, fields.round);
      case "minutes": {
        const wanted = await minutesFromForm(fields);
        return (await setMinutes(db, scope, { id: params.id, ...wanted }))
          ? { kind: "ok" as const }
          : refused("Somebody else set the minutes meanwhile. They are shown as they are now.");
      }
      case "drop": {
        const dropped = await dropPlan(scope, params.id, version);
        return dropped.kind === "saved" ? { kind: "ok" as const } : refused(WORDS[dropped.kind]);
      }
      default:
        return refused("This page is older than the application. Load it again.");
    }
  });
}

export default function Class({ loaderData }: Route.ComponentProps) {
  return <ClassScreen {...loaderData} />;
}
