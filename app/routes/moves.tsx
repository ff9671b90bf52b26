import type { Route } from "./+types/moves.ts";
import { MovesScreen } from "../words/moves-screen.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Moves · Vicissor" }];

export default function Words() {
  return <MovesScreen />;
}
