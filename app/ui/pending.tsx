/** A line at the top while a page or an answer is on its way, for all screens. */
import LinearProgress from "@mui/material/LinearProgress";
import { useEffect, useState } from "react";
import { useFetchers, useNavigation } from "react-router";

/** What comes sooner than this needs no word, ms. */
const SOON = 200;

/** True while somebody waits: for the next page, or for what they sent. */
export function usePending(): boolean {
  const going = useNavigation().state !== "idle";
  const sending = useFetchers().some(({ state }) => state === "submitting");
  const [late, setLate] = useState(false);
  const waits = going || sending;
  useEffect(() => {
    if (!waits) return setLate(false);
    const timer = setTimeout(() => setLate(true), SOON);
    return () => clearTimeout(timer);
  }, [waits]);
  return waits && late;
}

export function PendingLine() {
  return (
    <LinearProgress
      aria-label="Loading"
      sx={{ position: "fixed", top: 0, left: 0, right: 0, height: 3, zIndex: "tooltip" }}
    />
  );
}
