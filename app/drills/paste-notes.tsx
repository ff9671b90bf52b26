/** A page of notes becomes a drill: on the left what was pasted, on the right what was understood, row by row. */
import Button from "@mui/material/Button";
import { useState } from "react";
import { later } from "../ui/later.tsx";
import { useSavedDrill } from "./use-saved-drill.ts";

const NotesDialog = later(async () => (await import("./notes-dialog.tsx")).NotesDialog);

export function PasteNotes() {
  const [open, setOpen] = useState(false);
  const { save } = useSavedDrill();
  const take = (text: string) => {
    setOpen(false);
    save(text);
  };
  return (
    <>
      <Button variant="outlined" onClick={() => setOpen(true)}>
        Paste notes
      </Button>
      {open && <NotesDialog onClose={() => setOpen(false)} onTake={take} />}
    </>
  );
}
