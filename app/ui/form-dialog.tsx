/** The dialog of a form that is saved with one press. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import type { FormEvent, ReactNode } from "react";
import { Notice } from "./parts.tsx";

export function FormDialog({
  id,
  title,
  trouble,
  busy,
  action,
  onClose,
  onSave,
  children,
}: {
  readonly id: string;
  readonly title: string;
  readonly trouble: string | null;
  readonly busy: boolean;
  /** What its button says. */
  readonly action: string;
  readonly onClose: () => void;
  readonly onSave: (event: FormEvent) => unknown;
  readonly children: ReactNode;
}) {
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby={`${id}-title`}>
      <DialogTitle id={`${id}-title`}>{title}</DialogTitle>
      <DialogContent>
        {trouble && <Notice tone="trouble">{trouble}</Notice>}
        <Box
          component="form"
          id={id}
          noValidate
          onSubmit={(event) => void onSave(event)}
          sx={{ display: "grid", gap: 1.5, pt: 1 }}
        >
          {children}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Close
        </Button>
        <Button type="submit" form={id} variant="contained" disabled={busy}>
          {action}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
