import type { Route } from "./+types/own-move.ts";
import { OwnMoveScreen } from "../words/own-move-screen.tsx";

export const meta: Route.MetaFunction = () => [{ title: "A move of your own · Vicissor" }];

export function loader({ params, request }: Route.LoaderArgs) {
  const query = new URL(request.url).searchParams;
  return {
    id: (params as { id?: string }).id ?? null,
    like: query.get("like"),
    name: (query.get("name") ?? "").slice(0, 60),
  };
}

export default function OwnMove({ loaderData }: Route.ComponentProps) {
  return <OwnMoveScreen key={loaderData.id ?? "new"} {...loaderData} />;
}
