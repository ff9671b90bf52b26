/** A class of the term: what it is called and when it is; the same again on another day. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import dayjs from "dayjs";
import { useEffect, useState } from "react";
import { useFetcher } from "react-router";
import { ValidationError } from "yup";
import { classSchema } from "#core/class/lesson.ts";
import type { TermPage } from "#server/views.ts";
import type { action } from "../routes/term.tsx";
import { Notice } from "../ui/parts.tsx";

type Lesson = TermPage["classes"][number];

export function ClassDialog({ lesson, today, onClose }: { lesson: Lesson | null; today: string; onClose: () => void }) {
  const { fetcher, trouble, setTrouble } = useSaving(onClose);
  const [draft, setDraft] = useState({
    title: lesson?.title ?? "",
    theme: lesson?.theme ?? "",
    held_on: lesson?.held_on ?? today,
    starts_at: (lesson?.starts_at ?? "19:00").slice(0, 5),
    minutes: String(lesson?.minutes ?? 90),
  });
  const field = (key: keyof typeof draft, label: string, type = "text") => (
    <TextField
      size="small"
      label={label}
      type={type}
      value={draft[key]}
      onChange={(event) => setDraft({ ...draft, [key]: event.target.value })}
      slotProps={type === "text" ? {} : { inputLabel: { shrink: true } }}
    />
  );
  const save = () => {
    const form = { id: lesson?.id ?? crypto.randomUUID(), ...draft };
    try {
      classSchema.validateSync(form);
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      return setTrouble(error.errors[0]!);
    }
    void fetcher.submit(
      { intent: lesson ? "change" : "add", version: String(lesson?.version ?? 0), ...form },
      { method: "post" },
    );
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="class-title">
      <DialogTitle id="class-title">{lesson ? lesson.title : "Add a class"}</DialogTitle>
      <DialogContent>
        {trouble && <Notice tone="trouble">{trouble}</Notice>}
        <Box sx={{ display: "grid", gap: 1.5, pt: 1 }}>
          {field("title", "Name")}
          {field("theme", "Theme")}
          {field("held_on", "Day", "date")}
          {field("starts_at", "Begins", "time")}
          {field("minutes", "Minutes", "number")}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Close
        </Button>
        <Button variant="contained" disabled={fetcher.state !== "idle"} onClick={save}>
          Save
        </Button>
      </DialogActions>
    </Dialog>
  );
}

export function CopyDialog({ lesson, onClose }: { lesson: Lesson; onClose: () => void }) {
  const { fetcher, trouble } = useSaving(onClose);
  const [day, setDay] = useState(dayjs(lesson.held_on).add(7, "day").format("YYYY-MM-DD"));
  return (
    <Dialog open onClose={onClose} aria-labelledby="copy-title">
      <DialogTitle id="copy-title">{lesson.title} again</DialogTitle>
      <DialogContent>
        {trouble && <Notice tone="trouble">{trouble}</Notice>}
        <TextField
          size="small"
          type="date"
          label="On"
          value={day}
          onChange={(event) => setDay(event.target.value)}
          slotProps={{ inputLabel: { shrink: true } }}
          sx={{ mt: 1 }}
        />
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Close
        </Button>
        <Button
          variant="contained"
          disabled={fetcher.state !== "idle" || !/^\d{4}-\d\d-\d\d$/.test(day)}
          onClick={() =>
            void fetcher.submit({ intent: "copy", from: lesson.id, id: crypto.randomUUID(), day }, { method: "post" })
          }
        >
          Copy
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** Saves, closes when it is done, keeps what went wrong. */
function useSaving(onClose: () => void) {
  const fetcher = useFetcher<typeof action>();
  const [trouble, setTrouble] = useState<string | null>(null);
  const answer = fetcher.data;
  useEffect(() => {
    if (answer?.kind === "saved") onClose();
    else if (answer && "message" in answer) setTrouble(answer.message);
  }, [answer, onClose]);
  return { fetcher, trouble, setTrouble };
}
