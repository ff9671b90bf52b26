/** What was deleted, with the way back in reach wherever one stands on the page. */
import Button from "@mui/material/Button";
import Snackbar from "@mui/material/Snackbar";
import { useEffect, useState } from "react";
import { NOT_ON_PAPER } from "./theme.ts";

/** What came of a deletion or of taking it back. */
export interface Undoable {
  readonly kind: "deleted" | "restored";
  readonly id: string;
  readonly title: string;
}

/** Long enough to read it and to change one's mind, ms. */
const SHOWN = 15_000;

/** `last`: what was done last, null while nothing was; a new object for each time. */
export function UndoSnackbar({ last, onUndo }: { last: Undoable | null; onUndo: (last: Undoable) => void }) {
  const [open, setOpen] = useState(false);
  useEffect(() => setOpen(last !== null), [last]);
  if (!last) return null;
  return (
    <Snackbar
      open={open}
      onClose={(_, reason) => reason !== "clickaway" && setOpen(false)}
      anchorOrigin={{ vertical: "bottom", horizontal: "center" }}
      autoHideDuration={SHOWN}
      message={last.kind === "deleted" ? `“${last.title}” is deleted.` : `“${last.title}” is back.`}
      action={
        last.kind === "deleted" && (
          // The row that had the focus is gone: it goes on from here.
          <Button
            variant="outlined"
            size="small"
            autoFocus
            onClick={() => onUndo(last)}
            sx={{ color: "inherit", borderColor: "currentcolor" }}
          >
            Bring it back
          </Button>
        )
      }
      sx={{ bottom: { xs: 72, sm: 24 }, ...NOT_ON_PAPER }}
    />
  );
}
