/** What breaks on one screen stays on it: the places and tonight's class stay where they are. */
import { isRouteErrorResponse, Outlet } from "react-router";
import type { Route } from "./+types/inside.ts";
import { kindOf, Trouble } from "../ui/trouble.tsx";

export default function Inside() {
  return <Outlet />;
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return (
    <Trouble
      kind={kindOf(error)}
      {...(isRouteErrorResponse(error) && typeof error.data === "string" ? { detail: error.data } : {})}
    />
  );
}
