/** Keeps an evening under a name, so that another class can begin with its day, minutes, rounds and blocks. */
import { yupResolver } from "@hookform/resolvers/yup";
import { useForm } from "react-hook-form";
import { useFetcher } from "react-router";
import { templateSchema } from "#core/class/template.ts";
import type { action } from "../routes/term.tsx";
import { FormDialog } from "../ui/form-dialog.tsx";
import { Field, useAnswered } from "../ui/form.tsx";

interface KeepProps {
  readonly lesson: { readonly id: string; readonly held_on: string };
  readonly onClose: () => void;
}

/** `My Tuesday`, by the day of the class. */
const nameFor = (day: string): string =>
  `My ${new Date(`${day}T12:00:00Z`).toLocaleDateString("en-GB", { weekday: "long", timeZone: "UTC" })}`;

export function KeepTemplate({ lesson, onClose }: KeepProps) {
  const fetcher = useFetcher<typeof action>();
  const form = useForm({ resolver: yupResolver(templateSchema), defaultValues: { name: nameFor(lesson.held_on) } });
  const trouble = useAnswered(form, fetcher.data, onClose);
  const save = form.handleSubmit(({ name }) =>
    fetcher.submit({ intent: "keep", from: lesson.id, name }, { method: "post", action: "/term" }),
  );
  return (
    <FormDialog
      id="template"
      title="Keep this evening as a template"
      action="Keep"
      busy={fetcher.state !== "idle"}
      onSave={save}
      {...{ trouble, onClose }}
    >
      <Field
        control={form.control}
        name="name"
        label="Name"
        helperText="Its day, minutes, rounds and blocks, without people. Begin with it in the term, under Add a class."
      />
    </FormDialog>
  );
}
