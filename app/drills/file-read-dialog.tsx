/** What was read from a file, before anything of it is saved. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Stack from "@mui/material/Stack";
import useMediaQuery from "@mui/material/useMediaQuery";
import { counted, sizeWords } from "#core/lists/sizes.ts";
import { GameTables } from "../drawing/game-tables.tsx";
import { ScoreDrawing } from "../drawing/score-drawing.tsx";
import { placeOf } from "#core/formats/finding-place.ts";
import { VerdictRing } from "../ui/marks.tsx";
import type { FileRead } from "../workers/questions/files.ts";

export function FileReadDialog({
  name,
  found,
  onClose,
  onSave,
}: {
  readonly name: string;
  readonly found: FileRead;
  readonly onClose: () => void;
  readonly onSave: (text: string) => void;
}) {
  const narrow = useMediaQuery("(max-width: 700px)");
  return (
    <Dialog open onClose={onClose} fullScreen={narrow} maxWidth="md" fullWidth aria-labelledby="read-title">
      <DialogTitle id="read-title" sx={{ typography: "h2" }}>
        {found.ok ? (found.view.title ?? name) : "This file holds no drill"}
      </DialogTitle>
      <DialogContent>
        {found.ok ? (
          <>
            <Stack direction="row" spacing={1.5} sx={{ alignItems: "center", mb: 1 }}>
              <VerdictRing verdict={found.view.shown} word />
              {sizeWords(found.view.exchanges.length, found.view.games.length)},{" "}
              {counted(found.view.findings.filter((f) => f.severity === "error").length, "error")},{" "}
              {counted(found.view.findings.filter((f) => f.severity === "risk").length, "risk")}
            </Stack>
            <ScoreDrawing view={found.view} cursor={null} zoom={0.8} />
            <GameTables games={found.view.games} />
            <Box component="ul" sx={{ pl: 2.5 }}>
              {found.view.findings
                .filter((f) => f.severity !== "note")
                .slice(0, 5)
                .map((f) => (
                  <li key={`${f.from}${f.message}`}>
                    {placeOf(f)}. {f.message}
                  </li>
                ))}
            </Box>
            <Box
              component="pre"
              tabIndex={0}
              aria-label="The text that was read"
              sx={{
                fontFamily: "monospace",
                bgcolor: "background.default",
                p: 1.5,
                maxHeight: 200,
                overflow: "auto",
              }}
            >
              {found.text}
            </Box>
          </>
        ) : (
          <Box role="alert">{found.message}</Box>
        )}
      </DialogContent>
      <DialogActions>
        <Button variant="text" color="inherit" onClick={onClose}>
          {found.ok ? "Leave it" : "Close"}
        </Button>
        {found.ok && (
          <Button variant="contained" onClick={() => onSave(found.text)}>
            Save as a drill
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}
