import type { Route } from "./+types/numbering.ts";
import { NumberingScreen } from "../words/numbering-screen.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Numbering · Vicissor" }];

export default function Numbering() {
  return <NumberingScreen />;
}
