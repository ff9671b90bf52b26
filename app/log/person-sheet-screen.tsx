/** The page about somebody, to print or keep. */
import { useMemo } from "react";
import type { PersonPage } from "#server/trained.ts";
import { SvgPages } from "../paper/svg-pages.tsx";
import { personSheet } from "./person-layout.ts";

interface SheetProps {
  readonly page: PersonPage;
  readonly says: "trained" | "marks";
  readonly today: string;
}

export function PersonSheetScreen({ page: { person, school, sums }, says, today }: SheetProps) {
  const pages = useMemo(
    () => [personSheet({ name: person.name, school, today, sums, says })],
    [person.name, school, today, sums, says],
  );
  return (
    <SvgPages
      title={`What ${person.name} trained`}
      pages={pages}
      back={{ to: `/people/${person.id}`, label: "Back" }}
      trouble={null}
    />
  );
}
