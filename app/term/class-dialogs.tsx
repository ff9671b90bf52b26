/** A class of the term: what it is called and when it is; the same again on another day. */
import { yupResolver } from "@hookform/resolvers/yup";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import dayjs from "dayjs";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { useFetcher } from "react-router";
import { classSchema, copySchema } from "#core/class/lesson.ts";
import type { TermPage } from "#server/views.ts";
import type { action } from "../routes/term.tsx";
import { Choice } from "../ui/choice.tsx";
import { FormDialog } from "../ui/form-dialog.tsx";
import { Field, NumberField, useAnswered } from "../ui/form.tsx";
import { beginsWith, NO_TEMPLATE } from "./from-template.ts";

type Lesson = TermPage["classes"][number];

interface ClassDialogProps {
  /** null: a new one. */
  readonly lesson: Lesson | null;
  readonly today: string;
  readonly templates: TermPage["templates"];
  readonly onClose: () => void;
}

export function ClassDialog({ lesson, today, templates, onClose }: ClassDialogProps) {
  const [template, setTemplate] = useState(NO_TEMPLATE);
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
    fetcher.submit(
      { intent: lesson ? "change" : "add", version: lesson?.version ?? 0, template, ...made },
      { method: "post" },
    ),
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
      {!lesson && templates.length > 0 && (
        <TemplateChoice
          templates={templates}
          value={template}
          onValue={(id) => {
            setTemplate(id);
            const chosen = templates.find((one) => one.id === id);
            if (chosen) form.reset({ ...form.getValues(), ...beginsWith(chosen, today) });
          }}
        />
      )}
      <Field control={control} name="title" label="Name" />
      <Field control={control} name="theme" label="Theme" />
      <Field control={control} name="held_on" label="Day" type="date" />
      <Field control={control} name="starts_at" label="Begins" type="time" />
      <NumberField control={control} name="minutes" label="Minutes" />
    </FormDialog>
  );
}

interface TemplateChoiceProps {
  readonly templates: TermPage["templates"];
  readonly value: string;
  readonly onValue: (id: string) => void;
}

/** A template to begin with, and the way to delete it. */
function TemplateChoice({ templates, value, onValue }: TemplateChoiceProps) {
  const fetcher = useFetcher<typeof action>();
  const drop = () => {
    void fetcher.submit({ intent: "drop", id: value }, { method: "post" });
    onValue(NO_TEMPLATE);
  };
  return (
    <Stack direction="row" spacing={1} sx={{ alignItems: "end" }}>
      <Choice
        label="Begin with"
        options={[[NO_TEMPLATE, "nothing"], ...templates.map(({ id, name }) => [id, name] as const)]}
        value={value}
        onChange={onValue}
        sx={{ flex: 1 }}
      />
      {value !== NO_TEMPLATE && (
        <Button color="inherit" onClick={drop} disabled={fetcher.state !== "idle"}>
          Delete template
        </Button>
      )}
    </Stack>
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
