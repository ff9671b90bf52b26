/** Numbering sets on a clock face: which line each number names, as the one who is attacked sees it. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import ArrowDownward from "@mui/icons-material/ArrowDownward";
import ArrowUpward from "@mui/icons-material/ArrowUpward";
import DeleteOutlined from "@mui/icons-material/DeleteOutlined";
import { useRef, useState } from "react";
import { moveNumber, placeNumber, removeNumber, slotOf } from "#core/words/clock-slots.ts";
import type { Angle, NumberingSet } from "#core/words/numbering.ts";
import { PARTS } from "#core/body/parts.ts";
import { numberingSets } from "#core/words/shipped.ts";
import { fileName } from "#core/formats/file-name.ts";
import { numberingFaults, SCHOOL_CUSTOMS } from "#core/policy/settings.ts";
import { download } from "../paper/download.ts";
import { Notice, ScreenHead } from "../ui/parts.tsx";
import { useSettings } from "../ui/use-settings.ts";
import { ClockFace } from "./clock-face.tsx";
import { SettingsNav } from "./settings-nav.tsx";
import { Row, Rows } from "../ui/rows.tsx";

/** The sets of the school: which is looked at, and the one that is being written. */
function useSets() {
  const { settings, patch, result, busy } = useSettings();
  const own = settings.numbering ?? [];
  const all = [...numberingSets.filter((s) => !own.some((o) => o.id === s.id)), ...own];
  const inUse = settings.customs?.numbering ?? SCHOOL_CUSTOMS.numbering;
  const [id, setId] = useState(inUse);
  const saved = all.find((s) => s.id === id) ?? all[0]!;
  const [draft, setDraft] = useState<NumberingSet | null>(null);
  const set = draft ?? saved;
  const [problem, setProblem] = useState<string | null>(null);
  const isOwn = own.some((s) => s.id === set.id);
  const copy = () => {
    const name = `Our ${saved.name.toLowerCase()}`;
    setDraft({ ...saved, id: freeId(name, all), name });
  };
  const save = () => {
    if (!draft) return;
    const id = isOwn ? draft.id : freeId(draft.name, all);
    const next = { ...draft, id };
    const faults = numberingFaults([next]);
    setProblem(faults[0] ?? null);
    if (faults.length > 0) return;
    patch({ numbering: [...own.filter((s) => s.id !== id), next] });
    setDraft(null);
    setId(id);
  };
  const takeAway = () => {
    patch({
      numbering: own.filter((s) => s.id !== set.id),
      ...(set.id === inUse ? { customs: { ...settings.customs, numbering: SCHOOL_CUSTOMS.numbering } } : {}),
    });
    setId(SCHOOL_CUSTOMS.numbering);
  };
  const read = async (chosen: File) => {
    try {
      const data = JSON.parse(await chosen.text()) as NumberingSet;
      const faults = numberingFaults([data]);
      if (faults.length > 0) return setProblem(`${chosen.name}: ${faults[0]}`);
      setProblem(null);
      setDraft({ ...data, id: freeId(data.name, all) });
    } catch {
      setProblem(`${chosen.name} is not a numbering set: a JSON file with “id”, “name” and “angles” is needed.`);
    }
  };
  const use = () => patch({ customs: { ...settings.customs, numbering: set.id } });
  return {
    all,
    set,
    saved,
    inUse,
    isOwn,
    busy,
    draft,
    setDraft,
    setId,
    copy,
    save,
    takeAway,
    read,
    use,
    problem,
    result,
  };
}

export function NumberingScreen() {
  const sets = useSets();
  const { set, problem, result } = sets;
  const [number, setNumber] = useState(0);
  const editable = sets.draft !== null;
  return (
    <>
      <ScreenHead title="Settings" lead="Which line a number names: sets differ from school to school.">
        <ReadSet onFile={(chosen) => void sets.read(chosen)} />
      </ScreenHead>
      <SettingsNav />
      {problem && <Notice tone="trouble">{problem}</Notice>}
      {result && "message" in result && <Notice tone="trouble">{result.message}</Notice>}
      <Stack direction="row" spacing={1.5} sx={{ flexWrap: "wrap", px: { xs: 2, sm: 3 }, py: 2, alignItems: "end" }}>
        {editable ? (
          <WrittenSet sets={sets} />
        ) : (
          <>
            <ChooseSet
              all={sets.all}
              value={set.id}
              inUse={sets.inUse}
              onChange={(chosen) => {
                sets.setId(chosen);
                setNumber(0);
              }}
            />
            <SavedSet
              set={set}
              inUse={set.id === sets.inUse}
              onUse={sets.busy ? null : sets.use}
              onEdit={sets.isOwn ? () => sets.setDraft(sets.saved) : sets.copy}
              onTakeAway={sets.isOwn ? sets.takeAway : null}
            />
          </>
        )}
      </Stack>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,520px) minmax(300px,420px)" },
          gap: 4,
          px: { xs: 2, sm: 3 },
          pb: 5,
        }}
      >
        {set.angles ? (
          <Angles
            set={set}
            number={editable ? number : null}
            onNumber={setNumber}
            onChange={editable ? sets.setDraft : null}
          />
        ) : (
          <Box component="ol" sx={{ m: 0, pl: 3 }}>
            {set.moves?.map((m) => (
              <li key={m}>{m}</li>
            ))}
          </Box>
        )}
      </Box>
    </>
  );
}

/** A set that is being written: its name, and saving it or not. */
function WrittenSet({ sets: { set, setDraft, save, busy } }: { readonly sets: ReturnType<typeof useSets> }) {
  const isEmpty = set.name.trim() === "" || (set.angles ?? []).length === 0;
  return (
    <>
      <TextField
        label="Name of the set"
        value={set.name}
        onChange={(event) => setDraft({ ...set, name: event.target.value })}
      />
      <Button variant="contained" onClick={save} disabled={busy || isEmpty}>
        Save the set
      </Button>
      <Button variant="text" color="inherit" onClick={() => setDraft(null)}>
        Leave it as it was
      </Button>
    </>
  );
}

interface ChooseProps {
  readonly all: readonly NumberingSet[];
  readonly value: string;
  readonly inUse: string;
  readonly onChange: (id: string) => void;
}

function ChooseSet({ all, value, inUse, onChange }: ChooseProps) {
  return (
    <TextField
      select
      label="Set"
      value={value}
      onChange={(event) => onChange(event.target.value)}
      sx={{ minWidth: 200 }}
    >
      {all.map((s) => (
        <MenuItem key={s.id} value={s.id}>
          {s.name}
          {s.id === inUse && " (in use)"}
        </MenuItem>
      ))}
    </TextField>
  );
}

function ReadSet({ onFile }: { onFile: (file: File) => void }) {
  const file = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button variant="outlined" onClick={() => file.current?.click()}>
        Read a set from a file
      </Button>
      <input
        ref={file}
        type="file"
        accept=".json,application/json"
        aria-label="A numbering set as a file"
        hidden
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          if (chosen) onFile(chosen);
          event.target.value = "";
        }}
      />
    </>
  );
}

interface AnglesProps {
  readonly set: NumberingSet;
  /** The number that is placed next; null: the set is only looked at. */
  readonly number: number | null;
  readonly onNumber: (number: number) => void;
  readonly onChange: ((set: NumberingSet) => void) | null;
}

/** The face with its numbers, and the same as a list. */
function Angles({ set, number, onNumber, onChange }: AnglesProps) {
  const angles = set.angles ?? [];
  return (
    <>
      <ClockFace
        set={set}
        picked={number}
        onPlace={
          number !== null && onChange
            ? (slot) => {
                onChange(placeNumber(set, number, slot));
                onNumber(Math.min(angles.length, number + 1));
              }
            : null
        }
      />
      <Box>
        <Rows ordered aria-label="The numbers">
          {angles.map((angle, i) => (
            <NumberRow
              key={i}
              i={i}
              angle={angle}
              set={set}
              picked={number === i}
              onPick={() => onNumber(i)}
              onChange={onChange}
            />
          ))}
        </Rows>
        {number !== null && (
          <Box sx={{ color: "text.secondary", pt: 1 }}>
            {number < angles.length
              ? `Choose a place on the face for ${number + 1}, or another number here.`
              : `Choose a place on the face for number ${angles.length + 1}.`}
          </Box>
        )}
      </Box>
    </>
  );
}

interface SavedSetProps {
  readonly set: NumberingSet;
  readonly inUse: boolean;
  /** null: it cannot be chosen now. */
  readonly onUse: (() => void) | null;
  readonly onEdit: () => void;
  /** null: it came with the application and stays. */
  readonly onTakeAway: (() => void) | null;
}

/** What can be done with a set that is not being edited. */
function SavedSet({ set, inUse, onUse, onEdit, onTakeAway }: SavedSetProps) {
  return (
    <>
      <Button variant="contained" disabled={inUse || onUse === null} onClick={() => onUse?.()}>
        {inUse ? "In use" : "Use this one"}
      </Button>
      {set.angles && (
        <Button variant="outlined" onClick={onEdit}>
          {onTakeAway ? "Edit" : "Our own version of it"}
        </Button>
      )}
      <Button
        variant="outlined"
        onClick={() => download(fileName(set.name, "json"), `${JSON.stringify(set, null, 2)}\n`, "application/json")}
      >
        Export
      </Button>
      {onTakeAway && (
        <Button variant="outlined" onClick={onTakeAway}>
          Take away
        </Button>
      )}
    </>
  );
}

interface NumberRowProps {
  readonly i: number;
  readonly angle: Angle;
  readonly set: NumberingSet;
  readonly picked: boolean;
  readonly onPick: () => void;
  /** null: the set is only looked at. */
  readonly onChange: ((set: NumberingSet) => void) | null;
}

/** One number: its line, what it goes to, and its place among the others. */
function NumberRow({ i, angle, set, picked, onPick, onChange }: NumberRowProps) {
  const editable = onChange !== null;
  return (
    <Row sx={{ display: "flex", alignItems: "center", gap: 1, py: 0.5 }}>
      <Button
        variant={editable && picked ? "contained" : "text"}
        color={editable && picked ? "primary" : "inherit"}
        disabled={!editable}
        onClick={onPick}
        aria-pressed={editable ? picked : undefined}
        sx={{ minWidth: 40, px: 1, fontWeight: 700, "&.Mui-disabled": { color: "text.primary" } }}
      >
        {i + 1}
      </Button>
      <Box sx={{ flex: 1 }}>
        {slotOf(angle)?.words}
        {!editable && `, at the ${angle.part}`}
      </Box>
      {onChange && (
        <>
          <TextField
            select
            variant="standard"
            aria-label={`${i + 1} goes to`}
            value={angle.part}
            onChange={(event) =>
              onChange({
                ...set,
                angles: (set.angles ?? []).map((a, k) => (k === i ? { ...a, part: event.target.value } : a)),
              })
            }
            slotProps={{ htmlInput: { "aria-label": `${i + 1} goes to` } }}
          >
            {Object.keys(PARTS).map((p) => (
              <MenuItem key={p} value={p}>
                {p}
              </MenuItem>
            ))}
          </TextField>
          <IconButton aria-label={`${i + 1} earlier`} onClick={() => onChange(moveNumber(set, i, -1))}>
            <ArrowUpward fontSize="small" />
          </IconButton>
          <IconButton aria-label={`${i + 1} later`} onClick={() => onChange(moveNumber(set, i, 1))}>
            <ArrowDownward fontSize="small" />
          </IconButton>
          <IconButton aria-label={`Take ${i + 1} away`} onClick={() => onChange(removeNumber(set, i))}>
            <DeleteOutlined fontSize="small" />
          </IconButton>
        </>
      )}
    </Row>
  );
}

/** An id from a name that no other set has. */
function freeId(name: string, all: readonly NumberingSet[]): string {
  const plain = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, " ")
    .trim()
    .slice(0, 34);
  const base = plain.length > 1 ? plain : "our set";
  let id = base;
  for (let n = 2; all.some((s) => s.id === id); n++) id = `${base} ${n}`;
  return id;
}
