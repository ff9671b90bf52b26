import { listTrainedTexts } from "#db/classes.ts";
import { db } from "#db/pool.ts";
import { scopeContext } from "#server/web/context.ts";
import { reading } from "#server/web/respond.ts";
import { todayOf } from "#server/school/school-of.ts";
import type { Route } from "./+types/answers.ts";
import { AnswersScreen } from "../answers/answers-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = () => [{ title: "Answer map · Vicissor" }];

export function loader({ context }: Route.LoaderArgs) {
  return reading(async () => ({
    trainedTexts: await listTrainedTexts(db, context.get(scopeContext)),
    today: await todayOf(context.get(scopeContext)),
  }));
}

export default function Answers({ loaderData }: Route.ComponentProps) {
  return <AnswersScreen {...loaderData} />;
}
