/** One person: what is known of them, what is wished of them and others. */
import { keysOf } from "#core/base/keys.ts";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Autocomplete, { createFilterOptions } from "@mui/material/Autocomplete";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useEffect, useState } from "react";
import { useFetcher } from "react-router";
import { ValidationError } from "yup";
import { LIMITS } from "#core/class/limits.ts";
import { AGES } from "#core/pairs/ages.ts";
import { FAMILIES } from "#core/people/families.ts";
import { LEVELS, memberSchema, type MemberForm } from "#core/people/person.ts";
import type { Wish } from "#core/pairs/score.ts";
import type { PersonView } from "#server/views.ts";
import type { action } from "../routes/people.tsx";
import { Choice } from "../ui/choice.tsx";
import { Notice } from "../ui/parts.tsx";
import { useNames } from "./use-names.ts";
import { MeasureField, measureText, readMeasure } from "./measure-field.tsx";

const MEASURES = ["height_cm", "reach_cm", "mass_kg"] as const;
type MeasureKey = (typeof MEASURES)[number];

const NEW: MemberForm = {
  name: "",
  height_cm: null,
  reach_cm: null,
  mass_kg: null,
  lead: "left",
  hand: "right",
  born: null,
  minor: null,
  ages: null,
  levels: {},
  limits: [],
  limits_until: null,
  agreed: "",
  falls: null,
};
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
  const [draft, setDraft] = useState<MemberForm>(person ? { ...NEW, ...formOf(person) } : NEW);
  const [measures, setMeasures] = useState<Readonly<Record<MeasureKey, string>>>({
    height_cm: measureText(draft.height_cm),
    reach_cm: measureText(draft.reach_cm),
    mass_kg: measureText(draft.mass_kg),
  });
  const [faults, setFaults] = useState<Readonly<Record<string, string>>>({});
  const set = (part: Partial<MemberForm>) => setDraft({ ...draft, ...part });
  const done = fetcher.data && ("count" in fetcher.data || fetcher.data.kind === "changed");
  useEffect(() => {
    if (done) onClose();
  }, [done, onClose]);
  const save = () => {
    const read = MEASURES.map((key) => [key, readMeasure(measures[key])] as const);
    const unread = read.filter(([, value]) => value === undefined);
    if (unread.length > 0)
      return setFaults(Object.fromEntries(unread.map(([key]) => [key, "a number, such as 178 or 18.5"])));
    try {
      const valid = memberSchema.validateSync({ ...draft, ...Object.fromEntries(read) }, { abortEarly: false });
      setFaults({});
      void fetcher.submit(
        person
          ? { intent: "change", id: person.id, version: String(person.version), person: JSON.stringify(valid) }
          : { intent: "add", people: JSON.stringify([{ ...valid, id: crypto.randomUUID() }]) },
        { method: "post" },
      );
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      setFaults(Object.fromEntries(error.inner.map((e) => [e.path ?? "", e.message])));
    }
  };
  return { fetcher, draft, set, measures, setMeasures, faults, save };
}

export function PersonDialog({ person, wishes, onClose }: DialogProps) {
  const { fetcher, draft, set, measures, setMeasures, faults, save } = useMember(person, onClose);
  const measure = (key: MeasureKey, label: string) => (
    <MeasureField
      label={label}
      text={measures[key]}
      fault={faults[key]}
      onType={(text) => setMeasures({ ...measures, [key]: text })}
    />
  );
  const side = (key: "lead" | "hand", label: string) => (
    <Choice
      label={label}
      value={draft[key]}
      options={[
        ["left", "left"],
        ["right", "right"],
      ]}
      onChange={(value) => set({ [key]: value })}
    />
  );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="person-title">
      <DialogTitle id="person-title">{person ? person.name : "Add a person"}</DialogTitle>
      <DialogContent>
        {fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>}
        <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr 1fr", sm: "1fr 1fr 1fr" }, gap: 1.5, pt: 1 }}>
          <TextField
            size="small"
            label="Name"
            value={draft.name}
            error={"name" in faults}
            helperText={faults.name}
            onChange={(event) => set({ name: event.target.value })}
            sx={{ gridColumn: "1 / -1" }}
          />
          {measure("height_cm", "Height, cm")}
          {measure("reach_cm", "Reach, cm")}
          {measure("mass_kg", "Mass, kg")}
          {side("lead", "Front foot and hand")}
          {side("hand", "Dominant hand")}
          <AgeAndFalls draft={draft} set={set} fault={faults.born} />
          <LevelsAndLimits draft={draft} set={set} />
          <TextField
            size="small"
            label="What was agreed, as short as can be"
            value={draft.agreed}
            error={"agreed" in faults}
            helperText={faults.agreed}
            onChange={(event) => set({ agreed: event.target.value })}
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
        <Button variant="contained" disabled={fetcher.state !== "idle"} onClick={save}>
          Save
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** Of age or not, and whether they have learnt to fall: what nobody has said is not known. */
function AgeAndFalls({
  draft,
  set,
  fault,
}: {
  draft: MemberForm;
  set: (part: Partial<MemberForm>) => void;
  fault: string | undefined;
}) {
  return (
    <>
      <Choice
        label="Age"
        value={draft.ages ?? (draft.minor === null ? NOT_SAID : draft.minor ? "minor" : "adult")}
        options={[
          [NOT_SAID, "not said yet"],
          ["adult", "of age"],
          ["minor", "minor, age not said"],
          ...AGES.map((ages) => [ages, ages] as const),
        ]}
        onChange={(value) =>
          set({
            minor: value === NOT_SAID ? null : value !== "adult",
            ages: AGES.find((ages) => ages === value) ?? null,
          })
        }
        help={draft.born ? "The date of birth goes first." : undefined}
      />
      <TextField
        size="small"
        type="date"
        label="Born on"
        value={draft.born ?? ""}
        error={fault !== undefined}
        helperText={fault}
        onChange={(event) => set({ born: event.target.value || null })}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <Choice
        label="Has learnt to fall"
        value={draft.falls === null ? NOT_SAID : draft.falls ? "yes" : "no"}
        options={[
          [NOT_SAID, "not said yet"],
          ["yes", "yes"],
          ["no", "no"],
        ]}
        onChange={(value) => set({ falls: value === NOT_SAID ? null : value === "yes" })}
      />
    </>
  );
}

/** How good they are at what, and what they leave out. */
function LevelsAndLimits({ draft, set }: { draft: MemberForm; set: (part: Partial<MemberForm>) => void }) {
  return (
    <>
      <Box sx={{ gridColumn: "1 / -1", mb: -1, color: "text.secondary" }}>Level, from 1 (new) to 5</Box>
      {FAMILIES.map((family) => (
        <Choice
          key={family}
          label={`in ${family}`}
          value={draft.levels[family] ?? ""}
          options={[
            ["", "not said"],
            ...LEVELS.map((n) => [n, `${n}${n === 1 ? ", new" : n === 5 ? ", teaches" : ""}`] as const),
          ]}
          onChange={(value) => set({ levels: { ...draft.levels, [family]: value === "" ? undefined : value } })}
        />
      ))}
      <Autocomplete
        multiple
        freeSolo
        size="small"
        options={[...LIMITS]}
        value={draft.limits}
        onChange={(_, limits) => set({ limits })}
        renderInput={(params) => (
          <TextField {...params} label="Limits" helperText="such as no falls, no head contact, right shoulder" />
        )}
        sx={{ gridColumn: "1 / -1" }}
      />
      <TextField
        size="small"
        type="date"
        label="Limits until"
        value={draft.limits_until ?? ""}
        onChange={(event) => set({ limits_until: event.target.value || null })}
        slotProps={{ inputLabel: { shrink: true } }}
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
      <Box component="h3" sx={{ typography: "h3", m: 0 }}>
        With whom
      </Box>
      {own.map((w) => {
        const other = w.a === person.id ? w.b : w.a;
        return (
          <Box key={`${other}${w.kind}`} sx={{ display: "flex", alignItems: "center", gap: 1 }}>
            <Box sx={{ flex: 1 }}>
              {WISHES[w.kind]} {nameOf(other)}
            </Box>
            <Button size="small" variant="outlined" onClick={() => send(w, false)}>
              Remove
            </Button>
          </Box>
        );
      })}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, pt: 1 }}>
        <TextField
          select
          size="small"
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
          size="small"
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
      </Box>
    </Box>
  );
}
