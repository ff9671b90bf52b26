/** A drill drawn from its text, for pages that are read and not edited. */
import Box from "@mui/material/Box";
import { useMemo } from "react";
import { useAnswer } from "../workers/use-answer.ts";
import { later } from "../ui/later.tsx";
import { ScoreDrawing } from "./score-drawing.tsx";

const GameTables = later(async () => (await import("./game-tables.tsx")).GameTables);

/** Draws nothing until it is checked, and nothing where it cannot be: the page says the drill in words as well. */
export function DrawnText({ text, zoom }: { readonly text: string; readonly zoom: number }) {
  const question = useMemo(() => ({ text }), [text]);
  const { answer: view } = useAnswer("check", question);
  if (!view) return null;
  return (
    <Box sx={{ overflowX: "auto" }}>
      <ScoreDrawing view={view} cursor={null} zoom={zoom} />
      {view.games.length > 0 && <GameTables games={view.games} />}
    </Box>
  );
}
