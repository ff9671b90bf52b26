import type { Route } from "./+types/help.ts";
import { HelpScreen } from "../help/help-screen.tsx";

export const meta: Route.MetaFunction = () => [{ title: "How to write a drill · Vicissor" }];

export default function Help() {
  return <HelpScreen />;
}
