import { redirect } from "react-router";
import { setPresence } from "#db/attendance.ts";
import type { SaidOfRounds } from "#db/floor.ts";
import { db } from "#db/pool.ts";
import { keepPlan, sayWhatRan } from "#server/classes/keep-plan.ts";
import { planPage } from "#server/classes/plan-page.ts";
import { scopeContext } from "#server/web/context.ts";
import { idIn, partFromForm, presenceFromForm, roundIn } from "#server/web/forms.ts";
import { ladderFor } from "#server/drills/grow-ladder.ts";
import { notFound, reading, writing } from "#server/web/respond.ts";
import type { Route } from "./+types/plan.ts";
import { PlanScreen } from "../class/plan-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Plan of ${loaderData?.lesson.title ?? "a class"} · Vicissor` },
];

export function loader({ params, context, request }: Route.LoaderArgs) {
  return reading(async () => {
    const asked = new URL(request.url).searchParams;
    const page = await planPage(context.get(scopeContext), params.id, {
      ladder: asked.get("ladder"),
      drill: asked.get("drill"),
      second: asked.get("second"),
    });
    if (!page) throw notFound("This class is not here.");
    return page;
  });
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  return writing({ request, context }, async (fields) => {
    if (fields.intent === "grow") {
      const ladder = await ladderFor(scope, idIn(fields.drill), partFromForm(fields));
      if ("kind" in ladder) return ladder;
      throw redirect(`/class/${params.id}/plan?ladder=${ladder.id}`);
    }
    if (fields.intent === "done" || fields.intent === "taken back") {
      const round = roundIn(fields.round);
      const said: SaidOfRounds =
        fields.intent === "done" ? { kind: "done", rounds: round + 1 } : { kind: "taken back", from: round };
      return sayWhatRan(scope, params.id, Number(fields.version), said);
    }
    if (fields.plan !== undefined) return keepPlan(scope, params.id, fields.plan);
    await setPresence(db, scope, params.id, presenceFromForm(fields));
    return { kind: "ok" as const };
  });
}

export default function Plan({ loaderData }: Route.ComponentProps) {
  return <PlanScreen key={Object.values(loaderData.chosen).join()} page={loaderData} />;
}
