import { planPage } from "#server/classes/plan-page.ts";
import { forTheFloor, teaches } from "#server/access/hall.ts";
import { scopeContext } from "#server/web/context.ts";
import { planAgain, withLateComer, withSwap } from "#server/floor/again.ts";
import { whoToLookAt } from "#server/floor/look-at.ts";
import { nameOf } from "#server/access/me.ts";
import { idIn, roundIn } from "#server/web/forms.ts";
import { mustBeHere, notFound, reading, refused, writing } from "#server/web/respond.ts";
import { listPresence } from "#db/attendance.ts";
import { getAdults, setAdults } from "#db/class-adults.ts";
import { getClass } from "#db/classes.ts";
import { answerQuestion, listQuestions } from "#db/floor-questions.ts";
import { floorSince } from "#db/floor.ts";
import { listStudents } from "#db/people.ts";
import { db } from "#db/pool.ts";
import { useEffect } from "react";
import { isRouteErrorResponse } from "react-router";
import type { Route } from "./+types/floor.tsx";
import { FloorScreen } from "../floor/floor-screen.tsx";
import { keeps } from "../ui/keep-page.ts";
import { WITHOUT_FRAME } from "../ui/frame.tsx";
import { RouteTrouble } from "../ui/trouble.tsx";

export const handle = WITHOUT_FRAME;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Running: ${loaderData?.page.lesson.title ?? "class"} · Vicissor` },
];

export function loader({ params, context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const id = idIn(params.id);
    const page = await planPage(scope, id, { ladder: null, drill: null });
    const [lesson, news, everybody, presence, adults] = await Promise.all([
      getClass(db, scope, id),
      floorSince(db, scope, id, 0),
      listStudents(db, scope),
      listPresence(db, scope, id),
      getAdults(db, scope, id),
    ]);
    if (!page || !lesson || !news) throw notFound("This class is not here.");
    const here = new Set(page.people.filter(({ until }) => until === null).map((one) => one.id));
    // Those of this class come first.
    const known = new Set([...presence.map(({ student_id }) => student_id), ...Object.keys(page.names)]);
    const away = everybody
      .filter((one) => !here.has(one.id))
      .map(({ id: who, name }) => ({ id: who, name }))
      .sort((a, b) => Number(known.has(b.id)) - Number(known.has(a.id)));
    const isMinors = page.people.some(({ age }) => age === "minor");
    return {
      page: forTheFloor(scope, page),
      held: { begins: lesson.begins, minutes: lesson.minutes },
      news: { ...news, now: Date.now() },
      away,
      ...(isMinors ? { adults } : {}),
      ...(teaches(scope)
        ? { questions: await listQuestions(db, scope, id), lookAt: await whoToLookAt(scope, id, page) }
        : { questions: [], lookAt: [] }),
    };
  });
}

export async function action({ request, params, context }: Route.ActionArgs) {
  return writing({ request, context }, async (fields) => {
    const scope = context.get(scopeContext);
    const id = idIn(params.id);
    await mustBeHere(scope, "classes", [id]);
    const sure = fields.sure === "yes" ? "sure" : "not asked";
    switch (fields.intent) {
      case "late":
        return (await withLateComer(scope, id, idIn(fields.student), sure)) ?? { kind: "ok" as const };
      case "swap": {
        const change = { round: roundIn(fields.round), one: idIn(fields.one), two: idIn(fields.two) };
        return (await withSwap(scope, id, change, sure)) ?? { kind: "ok" as const };
      }
      case "again":
        return (await planAgain(scope, id)) ?? { kind: "ok" as const };
      case "alone": {
        const me = await nameOf(scope);
        const alone = { first: me, second: "", first_aider: "", collects: "", version: 0 };
        await setAdults(db, scope, id, alone);
        return { kind: "ok" as const };
      }
      case "answer": {
        if (!teaches(scope)) return refused("An instructor answers this.");
        const answer = fields.answer === "yes" ? "yes" : "no";
        const question = idIn(fields.question);
        return (await answerQuestion(scope, { id: question, answer, now: Date.now() }))
          ? { kind: "ok" as const }
          : refused("Somebody has answered this already.");
      }
    }
    return refused("This page is older than the application. Load it again.");
  });
}

type Shown = Awaited<ReturnType<Route.ClientLoaderArgs["serverLoader"]>>;
const keeper = keeps<Shown>();

export const clientLoader = ({ serverLoader, params }: Route.ClientLoaderArgs): Promise<Shown> =>
  keeper.load(params.id, serverLoader);

export async function clientAction({ serverAction }: Route.ClientActionArgs) {
  try {
    return await serverAction();
  } catch (error) {
    if (isRouteErrorResponse(error)) throw error;
    return {
      kind: "failed" as const,
      message: "The server does not answer. Nothing was changed; try again in a moment.",
    };
  }
}

export default function Floor({ loaderData, params }: Route.ComponentProps) {
  useEffect(() => keeper.keep(params.id, loaderData), [params.id, loaderData]);
  return <FloorScreen {...loaderData} />;
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <RouteTrouble error={error} />;
}
