/** What is due: ladders with the day on which they want to come back, and a class on any of them in one click. */
import Button from "@mui/material/Button";
import Box from "@mui/material/Box";
import { useFetcher } from "react-router";
import type { DueLadder } from "#server/classes/next-class.ts";
import type { action } from "../routes/term.tsx";
import { DataTable } from "../ui/data-table.tsx";
import { longDate } from "../ui/dates.ts";
import { Notice, ScreenHead } from "../ui/parts.tsx";
import { LogNav } from "./log-nav.tsx";

interface DueProps {
  readonly ladders: readonly DueLadder[];
  /** `2026-11-25` */
  readonly today: string;
}

function dueText({ due }: DueLadder, today: string): string {
  if (due === null) return "never trained";
  if (due === today) return "today";
  return due < today ? `since ${longDate(due)}` : longDate(due);
}

export function DueScreen({ ladders, today }: DueProps) {
  const next = useFetcher<typeof action>();
  const waiting = ladders.filter(({ due }) => due !== null && due <= today).length;
  return (
    <>
      <ScreenHead
        title="Log"
        lead={
          ladders.length === 0
            ? "Ladders come back when they are due; there is none yet."
            : `${waiting === 0 ? "No ladder is" : waiting === 1 ? "1 ladder is" : `${waiting} ladders are`} due. What went badly comes back soon, what went well later and later; take another one where you know better.`
        }
      />
      <LogNav />
      {next.data && "message" in next.data && <Notice tone="trouble">{next.data.message}</Notice>}
      <Box sx={{ px: { xs: 2, sm: 3 }, py: 2 }}>
        {ladders.length === 0 ? (
          <Box sx={{ color: "text.secondary" }}>Open a drill, make its ladder and take it: then it stands here.</Box>
        ) : (
          <DataTable
            label="What is due"
            heads={["Ladder", "Due", "Last trained", "How it went then", "Next class"]}
            rows={ladders.map((one) => ({
              key: one.id,
              cells: [
                one.title,
                dueText(one, today),
                one.last === null ? "never" : longDate(one.last),
                one.went,
                <Button
                  key="next"
                  size="small"
                  variant="outlined"
                  disabled={next.state !== "idle"}
                  aria-label={`Next class on ${one.title}`}
                  onClick={() =>
                    void next.submit({ intent: "next", ladder: one.id }, { method: "post", action: "/term" })
                  }
                >
                  Plan it
                </Button>,
              ],
            }))}
          />
        )}
      </Box>
    </>
  );
}
