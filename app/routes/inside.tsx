/** What breaks on one screen stays on it: the places and tonight's class stay where they are. */
import { Outlet } from "react-router";
import type { Route } from "./+types/inside.ts";
import { RouteTrouble } from "../ui/trouble.tsx";

export default function Inside() {
  return <Outlet />;
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <RouteTrouble error={error} />;
}
