/** What whoever runs a class has to know now: what waits, what could not be done, what is asked, whom to look at. */
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import { useEffect } from "react";
import { Link, useFetcher } from "react-router";
import type { FloorQuestion, PlanPage } from "#server/views.ts";
import { WAITS } from "#core/class/waits.ts";
import type { action } from "../routes/floor.tsx";
import { Notice } from "../ui/parts.tsx";
import { ForTeachers, useTeaches } from "../ui/role.tsx";
import { useZone } from "../ui/zone.tsx";
import type { Floor } from "./use-floor.ts";

interface NoticesProps {
  readonly floor: Floor;
  readonly page: PlanPage;
  readonly questions: readonly FloorQuestion[];
  readonly lookAt: readonly string[];
}

/** Until rounds that could not be planned again are tried once more, ms. */
const TRY_AGAIN = 10_000;

export function FloorNotices({ floor, page, questions, lookAt }: NoticesProps) {
  return (
    <>
      {floor.shutOut && (
        <Notice tone="trouble" action={<Link to={`/sign-in?next=/class/${page.lesson.id}/floor`}>Sign in again</Link>}>
          {floor.shutOut} The clock goes on here, and what you tap is kept on this device: {floor.waiting} waiting.
        </Notice>
      )}
      {floor.refused && (
        <Notice tone="trouble" action={<Button onClick={floor.leaveRefused}>I have seen it</Button>}>
          {countOf(floor)} not taken in: {floor.refused.why}
        </Notice>
      )}
      <ForTeachers>
        <Stranded page={page} trouble={floor.trouble} isLive={floor.isLive} />
        {lookAt.map((name) => (
          <Notice key={name} tone="trouble">
            <strong>Look at {name}.</strong> They were got through to the head more than once tonight.
          </Notice>
        ))}
        {questions.map((one) => (
          <Question key={one.id} question={one} />
        ))}
      </ForTeachers>
    </>
  );
}

function countOf({ refused }: Floor): string {
  const { taps = [], marks = [], incidents = [] } = refused?.items ?? {};
  const count = taps.length + marks.length + incidents.length;
  return count === 1 ? "1 thing that was tapped was" : `${count} things that were tapped were`;
}

/** Somebody waits in a round to come: the rest could not be planned again yet, and is tried until it can. */
function Stranded({ page, trouble, isLive }: { page: PlanPage; trouble: string | null; isLive: boolean }) {
  const fetcher = useFetcher<typeof action>();
  const teaches = useTeaches();
  const { kept, started, names } = page;
  const waiting = new Set(
    (kept?.plan.rounds ?? [])
      .slice(started)
      .flatMap(({ alone }) => alone.filter(({ why }) => why === WAITS).map(({ id }) => names[id] ?? "Somebody")),
  );
  const waits = waiting.size > 0;
  const again = () => void fetcher.submit({ intent: "again" }, { method: "post" });
  useEffect(() => {
    if (!waits || !teaches || !isLive) return;
    const timer = setInterval(again, TRY_AGAIN);
    return () => clearInterval(timer);
  }, [waits, teaches, isLive]); // eslint-disable-line react-hooks/exhaustive-deps
  if (!waits) return null;
  const said = fetcher.data && "message" in fetcher.data ? fetcher.data.message : trouble;
  return (
    <Notice
      tone="trouble"
      action={
        <Button variant="outlined" disabled={fetcher.state !== "idle"} onClick={again}>
          Try now
        </Button>
      }
    >
      <strong>The rounds to come are not planned again yet.</strong> {[...waiting].join(", ")} wait for you.{" "}
      {said ?? ""} It is tried again until it holds.
    </Notice>
  );
}

/** A tap from outside the hours, or several rounds by one tap: what was it? */
function Question({ question }: { readonly question: FloorQuestion }) {
  const fetcher = useFetcher<typeof action>();
  const zone = useZone();
  const { id, kind, tap, at, by, from_round, to_round } = question;
  const when = new Date(at).toLocaleString("en-GB", { dateStyle: "medium", timeStyle: "short", timeZone: zone });
  const who = by ? ` by ${by}` : "";
  const answer = (is: "yes" | "no") =>
    void fetcher.submit({ intent: "answer", question: id, answer: is }, { method: "post" });
  return (
    <Notice
      tone="trouble"
      action={
        <Stack direction="row" spacing={1}>
          <Button variant="outlined" disabled={fetcher.state !== "idle"} onClick={() => answer("yes")}>
            {kind === "hours" ? "Yes, it counts" : "Yes, they ran"}
          </Button>
          <Button variant="outlined" disabled={fetcher.state !== "idle"} onClick={() => answer("no")}>
            {kind === "hours" ? "No, leave it out" : "No, take them back"}
          </Button>
        </Stack>
      }
    >
      {kind === "hours"
        ? `“${tap}” was tapped${who} on ${when}: outside the hours of this class. It is kept and moves no clock. Is it right?`
        : `One tap (“${tap}”${who}, ${when}) wrote rounds ${from_round! + 1} to ${to_round! + 1} at once. Did they run?`}
    </Notice>
  );
}
