/** The page about somebody, to print or keep. */
import { useMemo } from "react";
import type { SheetPage } from "#server/classes/handed-over.ts";
import { SvgPages } from "../paper/svg-pages.tsx";
import { personSheet } from "./person-layout.ts";

interface SheetProps {
  readonly page: SheetPage;
  /** Where one came from. */
  readonly back: string;
  readonly today: string;
}

export function PersonSheetScreen({ page: { person, school, sums, says }, back, today }: SheetProps) {
  const pages = useMemo(
    () => [personSheet({ name: person.name, school, today, sums, says })],
    [person.name, school, today, sums, says],
  );
  return (
    <SvgPages title={`What ${person.name} trained`} pages={pages} back={{ to: back, label: "Back" }} trouble={null} />
  );
}
