/** What was done, with what one may want next in reach wherever one stands on the page. */
import Button from "@mui/material/Button";
import Snackbar from "@mui/material/Snackbar";
import { useEffect, useState } from "react";
import { NOT_ON_PAPER } from "./theme.ts";

/** What came of a deletion, of a correction, of taking it back, or of making a copy. */
export interface Done {
  readonly kind: "deleted" | "restored" | "copied" | "corrected";
  readonly id: string;
  readonly title: string;
  /** Several of a kind: `3 drills`; then `title` is said without quotation marks. */
  readonly several?: boolean;
}

const SAYS = {
  deleted: { one: "is deleted.", several: "are deleted.", next: "Undo", all: "Undo" },
  restored: { one: "is back.", several: "are back.", next: null, all: null },
  corrected: { one: "is put right.", several: "are put right.", next: "Undo", all: "Undo" },
  copied: { one: "is made.", several: "are made.", next: "Open it", all: null },
} as const;

/** Long enough to read it and to change one's mind, ms. */
const SHOWN = 15_000;

/** `last`: what was done last, null while nothing was; a new object for each time. `onAct`: they want what is offered with it. */
export function DoneSnackbar({ last, onAct }: { last: Done | null; onAct: (last: Done) => void }) {
  const [open, setOpen] = useState(false);
  useEffect(() => setOpen(last !== null), [last]);
  if (!last) return null;
  const says = SAYS[last.kind];
  const next = last.several ? says.all : says.next;
  return (
    <Snackbar
      open={open}
      onClose={(_, reason) => reason !== "clickaway" && setOpen(false)}
      anchorOrigin={{ vertical: "bottom", horizontal: "center" }}
      autoHideDuration={SHOWN}
      message={last.several ? `${last.title} ${says.several}` : `“${last.title}” ${says.one}`}
      action={
        next && (
          // The row that had the focus may be gone: it goes on from here.
          <Button
            variant="outlined"
            size="small"
            autoFocus
            onClick={() => onAct(last)}
            sx={{ color: "inherit", borderColor: "currentcolor" }}
          >
            {next}
          </Button>
        )
      }
      sx={{ bottom: { xs: 72, sm: 24 }, ...NOT_ON_PAPER }}
    />
  );
}
