/** A class of the term: what it is called and when it is; the same again on another day. */
import { yupResolver } from "@hookform/resolvers/yup";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import dayjs from "dayjs";
import type { FormEvent, ReactNode } from "react";
import { useForm } from "react-hook-form";
import { useFetcher } from "react-router";
import { classSchema, copySchema } from "#core/class/lesson.ts";
import type { TermPage } from "#server/views.ts";
import type { action } from "../routes/term.tsx";
import { Field, NumberField, useAnswered } from "../ui/form.tsx";
import { Notice } from "../ui/parts.tsx";

type Lesson = TermPage["classes"][number];

/** The dialog of a form that is saved with one press. */
function FormDialog({
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

export function ClassDialog({ lesson, today, onClose }: { lesson: Lesson | null; today: string; onClose: () => void }) {
  const fetcher = useFetcher<typeof action>();
  const form = useForm({
    resolver: yupResolver(classSchema),
    defaultValues: {
      id: lesson?.id ?? crypto.randomUUID(),
      title: lesson?.title ?? "",
      theme: lesson?.theme ?? "",
      held_on: lesson?.held_on ?? today,
      starts_at: (lesson?.starts_at ?? "19:00").slice(0, 5),
      minutes: lesson?.minutes ?? 90,
    },
  });
  const trouble = useAnswered(form, fetcher.data, onClose);
  const save = form.handleSubmit((made) =>
    fetcher.submit({ intent: lesson ? "change" : "add", version: lesson?.version ?? 0, ...made }, { method: "post" }),
  );
  const { control } = form;
  return (
    <FormDialog
      id="class"
      title={lesson ? lesson.title : "Add a class"}
      action="Save"
      busy={fetcher.state !== "idle"}
      onSave={save}
      {...{ trouble, onClose }}
    >
      <Field control={control} name="title" label="Name" />
      <Field control={control} name="theme" label="Theme" />
      <Field control={control} name="held_on" label="Day" type="date" />
      <Field control={control} name="starts_at" label="Begins" type="time" />
      <NumberField control={control} name="minutes" label="Minutes" />
    </FormDialog>
  );
}

export function CopyDialog({ lesson, onClose }: { lesson: Lesson; onClose: () => void }) {
  const fetcher = useFetcher<typeof action>();
  const form = useForm({
    resolver: yupResolver(copySchema),
    defaultValues: { day: dayjs(lesson.held_on).add(7, "day").format("YYYY-MM-DD") },
  });
  const trouble = useAnswered(form, fetcher.data, onClose);
  const save = form.handleSubmit(({ day }) =>
    fetcher.submit({ intent: "copy", from: lesson.id, id: crypto.randomUUID(), day }, { method: "post" }),
  );
  return (
    <FormDialog
      id="copy"
      title={`${lesson.title} again`}
      action="Copy"
      busy={fetcher.state !== "idle"}
      onSave={save}
      {...{ trouble, onClose }}
    >
      <Field control={form.control} name="day" label="On" type="date" />
    </FormDialog>
  );
}
