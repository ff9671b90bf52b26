/** A page of notes becomes a drill: on the left what was pasted, on the right what was understood, row by row. */
import Button from "@mui/material/Button";
import { useState } from "react";
import { useFetcher } from "react-router";
import { later } from "../ui/later.tsx";

const NotesDialog = later(async () => (await import("./notes-dialog.tsx")).NotesDialog);

export function PasteNotes() {
  const [open, setOpen] = useState(false);
  const fetcher = useFetcher();
  const take = (text: string) => {
    setOpen(false);
    void fetcher.submit(
      { id: crypto.randomUUID(), revisionId: crypto.randomUUID(), text },
      { method: "post", action: "/?index" },
    );
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
