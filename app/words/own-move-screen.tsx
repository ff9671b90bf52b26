/** A school's own move: a form that starts from moves it is like, with what it would answer beside it. */
import { TRADE } from "#core/trade/trade.ts";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import LinearProgress from "@mui/material/LinearProgress";
import Stack from "@mui/material/Stack";
import { useEffect, useState } from "react";
import { Controller, useForm, useWatch, type Control } from "react-hook-form";
import { Link, useNavigate } from "react-router";
import { LIMBS, ROLES, TRADITIONS, type MoveData } from "#core/words/types.ts";
import { ChoiceField, Field } from "../ui/form.tsx";
import { Notice, ScreenHead } from "../ui/parts.tsx";
import { useSettings } from "../ui/use-settings.ts";
import { ask } from "../workers/client.ts";
import type { MoveCard, TrialView } from "../workers/words-work.ts";
import { OwnMoveBody, Part } from "./own-move-body.tsx";
import { formLike, formOf, moveOf, type MoveBody, type OwnMoveForm } from "./own-move-form.ts";
import { FactList, TrialList, TrialPicture } from "./trial-view.tsx";

interface OwnMoveProps {
  /** The own move that is edited, or null for a new one. */
  readonly id: string | null;
  readonly like: string | null;
  readonly name: string;
}

export function OwnMoveScreen({ id, like, name }: OwnMoveProps) {
  const [cards, setCards] = useState<readonly MoveCard[] | null>(null);
  useEffect(() => {
    void ask("moves", {}).then(setCards, () => undefined);
  }, []);
  if (!cards) return <LinearProgress aria-label="Reading the moves" sx={{ m: 3 }} />;
  const edited = id === null ? undefined : cards.find((c) => c.id === id && c.own);
  if (id !== null && !edited)
    return (
      <Notice
        tone="trouble"
        action={
          <Button component={Link} to="/moves">
            All moves
          </Button>
        }
      >
        This move is not here any more; it may have been taken out in another window.
      </Notice>
    );
  const start = cards.find((c) => c.id === (like ?? TRADE.ownMoveStart)) ?? cards[0]!;
  return (
    <MoveForm
      cards={cards}
      start={edited ? formOf(edited.data) : formLike(start.data, name)}
      startName={edited ? null : start.shown}
    />
  );
}

interface FormProps {
  readonly cards: readonly MoveCard[];
  readonly start: OwnMoveForm;
  readonly startName: string | null;
}

function MoveForm({ cards, start, startName }: FormProps) {
  const { settings, patch, busy, result } = useSettings();
  const { control, handleSubmit, setValue } = useForm<OwnMoveForm>({ defaultValues: start });
  const values = useWatch({ control }) as OwnMoveForm;
  const move = moveOf(values);
  const named = move.names.english !== undefined;
  // What it would answer is seen before it has a name.
  const view = useTrial(named ? move : { ...move, id: "own-unnamed", names: { english: ["our own move"] } });
  const navigate = useNavigate();
  const [sent, setSent] = useState<string | null>(null);
  const errors = [...(named ? [] : ["it needs an English name"]), ...(view && !view.ok ? view.errors : [])];
  useEffect(() => {
    if (result?.kind === "saved" && sent !== null) void navigate(`/moves?move=${sent}`);
  }, [result, sent, navigate]);
  const save = (form: OwnMoveForm) => {
    const move = moveOf(form);
    setSent(move.id);
    patch({ moves: [...(settings.moves ?? []).filter((m) => m.id !== move.id), move] });
  };
  const setBody = (body: MoveBody) => setValue("body", body, { shouldDirty: true });
  const groups = [...new Set(cards.map((c) => c.data.group))];
  return (
    <Box component="form" onSubmit={(event) => void handleSubmit(save)(event)} noValidate>
      <ScreenHead
        title={start.id ? `Edit ${start.names.english}` : "A move of your own"}
        lead={
          startName
            ? `It starts as a ${startName}. Give it a name, change what differs; what it would answer stands beside it.`
            : "What it answers changes with every number."
        }
      >
        <Button variant="outlined" component={Link} to="/moves">
          Leave
        </Button>
        <Button type="submit" variant="contained" disabled={busy || errors.length > 0 || !view}>
          {busy ? "Saving…" : "Save the move"}
        </Button>
      </ScreenHead>
      {result && "message" in result && <Notice tone="trouble">{result.message}</Notice>}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,6fr) minmax(300px,5fr)" },
          gap: 4,
          px: { xs: 2, sm: 3 },
          pb: 5,
        }}
      >
        <Box>
          <NamesAndKind control={control} groups={groups} />
          <OwnMoveBody body={values.body} cards={cards} onChange={setBody} />
          <Part title="For the people on the floor">
            <Lines label="Coaching points, one to a line (two at least)" control={control} name="coaching" />
            <Lines label="Typical faults, one to a line" control={control} name="faults" />
            <Lines label="Cautions, one to a line" control={control} name="cautions" />
          </Part>
        </Box>
        <Box
          component="aside"
          aria-label="What it would do"
          sx={{ position: { md: "sticky" }, top: 16, alignSelf: "start" }}
        >
          <TrialPanel view={view} errors={errors} />
        </Box>
      </Box>
    </Box>
  );
}

interface NamesProps {
  readonly control: Control<OwnMoveForm>;
  readonly groups: readonly string[];
}

/** Its names in each tradition, and what it is used as. */
const NamesAndKind = ({ control, groups }: NamesProps) => (
  <>
    <Part title="Names">
      {TRADITIONS.map((t) => (
        <Field
          key={t}
          control={control}
          name={`names.${t}`}
          label={t[0]!.toUpperCase() + t.slice(1)}
          required={t === "english"}
          {...(t === "english"
            ? { helperText: "Several names with commas; the first is shown.", sx: { gridColumn: "1 / -1" } }
            : {})}
        />
      ))}
    </Part>
    <Part title="What it is">
      <Field control={control} name="group" label="Kind" slotProps={{ htmlInput: { list: "groups" } }} />
      <datalist id="groups">
        {groups.map((o) => (
          <option key={o} value={o} />
        ))}
      </datalist>
      <ChoiceField label="Done with" control={control} name="limb" options={LIMBS.map((o) => [o, o] as const)} />
      <Stack role="group" aria-label="Used as" direction="row" sx={{ flexWrap: "wrap", gridColumn: "1 / -1" }}>
        {ROLES.map((role) => (
          <FormControlLabel
            key={role}
            label={role}
            control={
              <Controller
                control={control}
                name={`roles.${role}`}
                render={({ field }) => (
                  <Checkbox checked={field.value} onChange={(event) => field.onChange(event.target.checked)} />
                )}
              />
            }
          />
        ))}
      </Stack>
    </Part>
  </>
);

/** What is missing, and what the move would do as it stands. */
function TrialPanel({ view, errors }: { view: ReturnType<typeof useTrial>; errors: readonly string[] }) {
  return (
    <>
      {errors.length > 0 && (
        <Box role="status" sx={{ borderLeft: 4, borderColor: "verdict.invalid", pl: 2, mb: 2 }}>
          Before it can be saved:
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {errors.slice(0, 6).map((e) => (
              <li key={e}>{e}</li>
            ))}
          </Box>
        </Box>
      )}
      {!view && <LinearProgress aria-label="Trying the move" />}
      {view?.ok && (
        <>
          <TrialPicture trial={view.trial} />
          <TrialList title="It would answer" pairs={view.trial.answers} of="feed" />
          <TrialList title="It would be answered by" pairs={view.trial.answeredBy} of="answer" />
          <Box sx={{ mt: 2.5 }}>
            <FactList facts={view.facts} />
          </Box>
        </>
      )}
    </>
  );
}

/** Quiet after the last change before the move is tried again, ms. */
const PAUSE = 250;

function useTrial(move: MoveData): TrialView | null {
  const [view, setView] = useState<TrialView | null>(null);
  const wanted = JSON.stringify(move);
  useEffect(() => {
    const timer = setTimeout(() => {
      void ask("tryMove", { data: JSON.parse(wanted) as unknown }, { replaces: "trial" }).then(
        setView,
        () => undefined,
      );
    }, PAUSE);
    return () => clearTimeout(timer);
  }, [wanted]);
  return view;
}

const Lines = ({
  label,
  control,
  name,
}: {
  label: string;
  control: Control<OwnMoveForm>;
  name: "coaching" | "faults" | "cautions";
}) => <Field multiline minRows={2} label={label} {...{ control, name }} sx={{ gridColumn: "1 / -1" }} />;
