/** One person: what is known of them, what is wished of them and others. */
import { yupResolver } from "@hookform/resolvers/yup";
import { keysOf } from "#core/base/keys.ts";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Autocomplete, { createFilterOptions } from "@mui/material/Autocomplete";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { useController, useForm, useWatch, type FieldError } from "react-hook-form";
import { useFetcher } from "react-router";
import { LIMITS } from "#core/class/limits.ts";
import { AGES } from "#core/pairs/ages.ts";
import { FAMILIES } from "#core/people/families.ts";
import { BLANK_MEMBER, LEVELS, memberSchema, type MemberForm } from "#core/people/person.ts";
import type { Wish } from "#core/pairs/score.ts";
import type { PersonView } from "#server/views.ts";
import type { action } from "../routes/people.tsx";
import { Choice } from "../ui/choice.tsx";
import { ChoiceField, Field, NumberField, useAnswered } from "../ui/form.tsx";
import { Notice } from "../ui/parts.tsx";
import { useNames } from "./use-names.ts";

const SIDES = [
  ["left", "left"],
  ["right", "right"],
] as const;
/** Nobody has said. */
const NOT_SAID = "not said";
const WISHES: Record<Wish["kind"], string> = {
  together: "works together with",
  apart: "is kept apart from",
  agreed: "may work with, as agreed:",
};

/** So many names are offered for what was typed; more letters find the others. */
const offered = createFilterOptions<{ readonly id: string; readonly name: string }>({ limit: 50 });

interface DialogProps {
  readonly person: PersonView | null;
  readonly wishes: readonly Wish[];
  readonly onClose: () => void;
}

/** A person as they are written down: what was typed, what is wrong with it, and saving it. */
function useMember(person: PersonView | null, onClose: () => void) {
  const fetcher = useFetcher<typeof action>();
  const form = useForm({
    resolver: yupResolver(memberSchema),
    defaultValues: person ? { ...BLANK_MEMBER, ...formOf(person) } : BLANK_MEMBER,
  });
  const trouble = useAnswered(form, fetcher.data, onClose);
  const save = form.handleSubmit((member) =>
    fetcher.submit(
      person
        ? { intent: "change", id: person.id, version: String(person.version), person: JSON.stringify(member) }
        : { intent: "add", people: JSON.stringify([{ ...member, id: crypto.randomUUID() }]) },
      { method: "post" },
    ),
  );
  return { fetcher, form, trouble, save };
}

export function PersonDialog({ person, wishes, onClose }: DialogProps) {
  const { fetcher, form, trouble, save } = useMember(person, onClose);
  const { control } = form;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="person-title">
      <DialogTitle id="person-title">{person ? person.name : "Add a person"}</DialogTitle>
      <DialogContent>
        {trouble && <Notice tone="trouble">{trouble}</Notice>}
        <Box
          component="form"
          id="person"
          noValidate
          onSubmit={(event) => void save(event)}
          sx={{ display: "grid", gridTemplateColumns: { xs: "1fr 1fr", sm: "1fr 1fr 1fr" }, gap: 1.5, pt: 1 }}
        >
          <Field control={control} name="name" label="Name" sx={{ gridColumn: "1 / -1" }} />
          <NumberField control={control} name="height_cm" label="Height, cm" />
          <NumberField control={control} name="reach_cm" label="Reach, cm" />
          <NumberField control={control} name="mass_kg" label="Mass, kg" />
          <ChoiceField control={control} name="lead" label="Front foot and hand" options={SIDES} />
          <ChoiceField control={control} name="hand" label="Dominant hand" options={SIDES} />
          <AgeAndFalls form={form} />
          <LevelsAndLimits form={form} />
          <Field
            control={control}
            name="agreed"
            label="What was agreed, as short as can be"
            sx={{ gridColumn: { xs: "1 / -1", sm: "2 / -1" } }}
          />
        </Box>
        {person && <Wishes person={person} wishes={wishes} />}
      </DialogContent>
      <DialogActions>
        {person && (
          <Button
            color="inherit"
            onClick={() => void fetcher.submit({ intent: "archive", id: person.id }, { method: "post" })}
          >
            Archive
          </Button>
        )}
        <Box sx={{ flex: 1 }} />
        <Button color="inherit" onClick={onClose}>
          Close
        </Button>
        <Button type="submit" form="person" variant="contained" disabled={fetcher.state !== "idle"}>
          Save
        </Button>
      </DialogActions>
    </Dialog>
  );
}

type MemberFormOf = ReturnType<typeof useMember>["form"];
interface OfMember {
  readonly form: MemberFormOf;
}

/** Of age or not, and whether they have learnt to fall: what nobody has said is not known. */
function AgeAndFalls({ form: { control, setValue } }: OfMember) {
  const [ages, minor, born, falls] = useWatch({ control, name: ["ages", "minor", "born", "falls"] });
  return (
    <>
      <Choice
        label="Age"
        value={ages ?? (minor === null ? NOT_SAID : minor ? "minor" : "adult")}
        options={[
          [NOT_SAID, "not said yet"],
          ["adult", "of age"],
          ["minor", "minor, age not said"],
          ...AGES.map((one) => [one, one] as const),
        ]}
        onChange={(value) => {
          setValue("minor", value === NOT_SAID ? null : value !== "adult");
          setValue("ages", AGES.find((one) => one === value) ?? null);
        }}
        help={born ? "The date of birth goes first." : undefined}
      />
      <Field control={control} name="born" label="Born on" type="date" empty={null} />
      <Choice
        label="Has learnt to fall"
        value={falls === null ? NOT_SAID : falls ? "yes" : "no"}
        options={[
          [NOT_SAID, "not said yet"],
          ["yes", "yes"],
          ["no", "no"],
        ]}
        onChange={(value) => setValue("falls", value === NOT_SAID ? null : value === "yes")}
      />
    </>
  );
}

/** The fault of a list, or of the first item in it that has one. */
const faultIn = (error: FieldError | (FieldError | undefined)[] | undefined): string | undefined =>
  [error].flat().find((one) => one?.message)?.message;

/** How good they are at what, and what they leave out. */
function LevelsAndLimits({ form: { control, setValue } }: OfMember) {
  const levels = useWatch({ control, name: "levels" });
  const limits = useController({ control, name: "limits" });
  return (
    <>
      <Box sx={{ gridColumn: "1 / -1", mb: -1, color: "text.secondary" }}>Level, from 1 (new) to 5</Box>
      {FAMILIES.map((family) => (
        <Choice
          key={family}
          label={`in ${family}`}
          value={levels[family] ?? ""}
          options={[
            ["", "not said"],
            ...LEVELS.map((n) => [n, `${n}${n === 1 ? ", new" : n === 5 ? ", teaches" : ""}`] as const),
          ]}
          onChange={(value) => setValue(`levels.${family}`, value === "" ? undefined : value)}
        />
      ))}
      <Autocomplete
        multiple
        freeSolo
        options={[...LIMITS]}
        value={limits.field.value}
        onChange={(_, chosen) => limits.field.onChange(chosen)}
        renderInput={(params) => (
          <TextField
            {...params}
            label="Limits"
            error={limits.fieldState.invalid}
            helperText={faultIn(limits.fieldState.error) ?? "such as no falls, no head contact, right shoulder"}
          />
        )}
        sx={{ gridColumn: "1 / -1" }}
      />
      <Field
        control={control}
        name="limits_until"
        label="Limits until"
        type="date"
        empty={null}
        sx={{ gridColumn: { xs: "1 / -1", sm: "auto" } }}
      />
    </>
  );
}

const formOf = ({ id: _id, version: _v, archived: _a, ...form }: PersonView): MemberForm => ({
  ...form,
  levels: { ...form.levels },
  limits: [...form.limits],
});

/** Who should work together, be kept apart, or is a minor who may work with that adult. */
function Wishes({ person, wishes }: { person: PersonView; wishes: readonly Wish[] }) {
  const people = useNames();
  const fetcher = useFetcher<typeof action>();
  const [kind, setKind] = useState<Wish["kind"]>("together");
  const send = (wish: Wish, on: boolean) =>
    void fetcher.submit({ intent: "wish", ...wish, on: on ? "yes" : "no" }, { method: "post" });
  const own = wishes.filter((w) => w.a === person.id || w.b === person.id);
  const nameOf = (id: string) => (people ? (people.find((p) => p.id === id)?.name ?? "somebody archived") : "…");
  return (
    <Box sx={{ pt: 2 }}>
      <Typography variant="h3">With whom</Typography>
      {own.map((w) => {
        const other = w.a === person.id ? w.b : w.a;
        return (
          <Stack key={`${other}${w.kind}`} direction="row" spacing={1} sx={{ alignItems: "center" }}>
            <Box sx={{ flex: 1 }}>
              {WISHES[w.kind]} {nameOf(other)}
            </Box>
            <Button size="small" variant="outlined" onClick={() => send(w, false)}>
              Remove
            </Button>
          </Stack>
        );
      })}
      <Stack direction="row" spacing={1} sx={{ flexWrap: "wrap", pt: 1 }}>
        <TextField
          select
          value={kind}
          onChange={(event) => setKind(event.target.value as Wish["kind"])}
          slotProps={{ htmlInput: { "aria-label": "What is wished" } }}
          sx={{ width: 220 }}
        >
          {keysOf(WISHES).map((k) => (
            <MenuItem key={k} value={k}>
              {WISHES[k]}
            </MenuItem>
          ))}
        </TextField>
        <Autocomplete
          options={people?.filter((p) => p.id !== person.id) ?? []}
          filterOptions={offered}
          loading={people === null}
          getOptionLabel={(p) => p.name}
          getOptionKey={(p) => p.id}
          value={null}
          blurOnSelect
          onChange={(_, other) => other && send({ a: person.id, b: other.id, kind }, true)}
          renderInput={(params) => <TextField {...params} label="Whom" />}
          sx={{ flex: "1 1 200px" }}
        />
      </Stack>
    </Box>
  );
}
