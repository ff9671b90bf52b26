/** How far long work is, with a way out; what to do where it failed or was cancelled. */
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import Stack from "@mui/material/Stack";
import type { LongWork } from "../workers/use-long-work.ts";
import { Notice } from "./parts.tsx";

export function WorkProgress({
  work,
  doing,
  not,
  start = "Make it",
}: {
  work: LongWork<unknown>;
  /** The work that is under way, such as `Planning the evening`. */
  doing: string;
  /** Said when it was cancelled before anything came out. */
  not: string;
  start?: string;
}) {
  const { result, share, trouble, cancel, again } = work;
  if (trouble)
    return (
      <Notice tone="trouble" action={<Button onClick={again}>Try again</Button>}>
        {trouble}
      </Notice>
    );
  if (share !== null)
    return (
      <Stack direction="row" spacing={2} sx={{ px: 3, py: 2, alignItems: "center", flexWrap: "wrap" }}>
        <span>{doing}…</span>
        <LinearProgress
          variant="determinate"
          value={Math.round(share * 100)}
          aria-label={doing}
          sx={{ flex: 1, minWidth: 120, height: 8 }}
        />
        <Button variant="outlined" onClick={cancel}>
          Cancel
        </Button>
      </Stack>
    );
  return result ? null : <Notice action={<Button onClick={again}>{start}</Button>}>{not}</Notice>;
}
