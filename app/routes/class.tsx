import { getClass, listPairs, listPresent, meetings, savePairs, setPresent } from "#db/classes.ts";
import { getDrill, listDrills } from "#db/drills.ts";
import { listEverybody, listGear, listStudents, listWishes } from "#db/people.ts";
import { dropPlan, getPlan } from "#db/plans.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/context.ts";
import { planRound, type PlanFailure } from "#server/plan-round.ts";
import { fieldsOf, pairsSchema } from "#server/forms.ts";
import { notFound, reading, writing } from "#server/respond.ts";
import type { Route } from "./+types/class.ts";
import { ClassScreen } from "../class/class-screen.tsx";
import { schoolOf } from "#server/school-of.ts";
import { pairViews } from "#server/pair-views.ts";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.lesson.title ?? "Class"} · Vicissor` },
];

export function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const lesson = await getClass(db, scope, params.id);
    if (!lesson) throw notFound("This class is not here.");
    const [everybody, present, pairs, drills, gear, plan] = await Promise.all([
      listEverybody(db, scope),
      listPresent(db, scope, params.id),
      listPairs(db, scope, params.id),
      listDrills(db, scope),
      listGear(db, scope),
      getPlan(db, scope, params.id),
    ]);
    return {
      lesson,
      planned: plan?.plan.rounds.length ?? null,
      students: everybody.filter((s) => !s.archived || present.includes(s.id)),
      present,
      gear,
      pairs: pairViews(pairs, everybody, await schoolOf(scope)),
      drills: drills.map(({ id, title, verdict, kind, load_total, parent_title }) => ({
        id,
        title,
        verdict,
        kind,
        load: load_total,
        parent: parent_title,
      })),
    };
  });
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const fields = fieldsOf(await request.formData());
  return writing(async () => {
    switch (fields.intent) {
      case "present":
        await setPresent(db, scope, params.id, fields.student ?? "", fields.on === "yes");
        return { kind: "ok" as const };
      case "pair": {
        const drill = await getDrill(db, scope, fields.drill ?? "");
        if (!drill)
          return {
            kind: "refused",
            message: "Choose a drill first; the one you chose is not here any more.",
          } satisfies PlanFailure;
        const [students, present, met, drills, wishes] = await Promise.all([
          listStudents(db, scope),
          listPresent(db, scope, params.id),
          meetings(db, scope, params.id),
          listDrills(db, scope),
          listWishes(db, scope),
        ]);
        const plan = await planRound(
          scope,
          drill,
          drills,
          students.filter((s) => present.includes(s.id)),
          met,
          wishes,
        );
        if (plan.kind === "refused") return plan;
        await savePairs(scope, params.id, { id: plan.blockId, drillId: drill.drill.id, minutes: 10 }, plan.pairs);
        return { kind: "paired" as const, count: plan.pairs.length };
      }
      case "drop":
        await dropPlan(scope, params.id);
        return { kind: "ok" as const };
      case "swap": {
        // Another version for one pair: the whole round is written again with that one changed.
        const form = await pairsSchema.validate(JSON.parse(fields.round ?? "{}"));
        await savePairs(
          scope,
          params.id,
          { id: form.blockId, drillId: form.drillId, minutes: 10 },
          form.pairs.map((p) => ({ ...p, c: p.c ?? null })),
        );
        return { kind: "ok" as const };
      }
      default:
        return { kind: "refused", message: "Unknown request." } satisfies PlanFailure;
    }
  });
}

export default function Class({ loaderData }: Route.ComponentProps) {
  return <ClassScreen {...loaderData} />;
}
