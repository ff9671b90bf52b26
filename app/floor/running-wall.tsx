/** The wall of a class that runs: it follows the clock that all devices share. */
import { useMemo } from "react";
import { timeline } from "#core/floor/timeline.ts";
import type { FloorNews, PhoneLink, PlanPage } from "#server/views.ts";
import { WallScreen } from "../class/wall-screen.tsx";
import { useOffline } from "../offline/use-offline.ts";
import { AllStop } from "./all-stop.tsx";
import { useFloor } from "./use-floor.ts";

interface WallProps {
  readonly page: PlanPage;
  readonly link: PhoneLink | null;
  readonly news: FloorNews & { readonly now: number };
}

export function RunningWall({ page, link, news }: WallProps) {
  const { kept, lesson } = page;
  const segments = useMemo(() => (kept ? timeline(kept.plan, kept.clock) : []), [kept]);
  const { running } = useFloor(lesson.id, segments, news);
  useOffline();
  const segment = running.started && !running.ended ? segments[running.at] : undefined;
  return (
    <>
      <WallScreen page={page} link={link} live={segment ? { segment, running } : null} />
      {running.stopped && <AllStop />}
    </>
  );
}
