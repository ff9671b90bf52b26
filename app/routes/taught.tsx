import type { Route } from "./+types/taught.ts";
import { TaughtScreen } from "../words/taught-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = () => [{ title: "What is taught first · Vicissor" }];

export default function Taught() {
  return <TaughtScreen />;
}
