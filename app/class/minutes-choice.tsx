/** How long the class is, to be set where the evening is planned. */
import { useFetcher } from "react-router";
import type { action } from "../routes/class.tsx";
import { Choice } from "../ui/choice.tsx";

/** Usual lengths of a class, minutes. */
const USUAL = [30, 45, 60, 75, 90, 105, 120, 150, 180];

export function MinutesChoice({ lesson }: { readonly lesson: { readonly id: string; readonly minutes: number } }) {
  const fetcher = useFetcher<typeof action>();
  const { id, minutes } = lesson;
  const all = [...new Set([...USUAL, minutes])].sort((a, b) => a - b);
  return (
    <Choice
      label="Minutes"
      value={minutes}
      options={all.map((one) => [one, String(one)] as const)}
      disabled={fetcher.state !== "idle"}
      help={fetcher.data && "message" in fetcher.data ? fetcher.data.message : undefined}
      onChange={(wanted) =>
        void fetcher.submit(
          { intent: "minutes", minutes: wanted, was: minutes },
          { method: "post", action: `/class/${id}` },
        )
      }
      sx={{ minWidth: 96 }}
    />
  );
}
