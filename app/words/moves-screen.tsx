import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { MOST_DELETED } from "#core/policy/deleted-moves.ts";
import type { SchoolData } from "#core/policy/settings.ts";
import { DoneSnackbar, type Done } from "../ui/done-snackbar.tsx";
import { useFilters, withFilters } from "../ui/use-filters.ts";
import { Row, Rows } from "../ui/rows.tsx";
import { NOT_ON_PAPER } from "../ui/theme.ts";
import { ScreenHead, Notice } from "../ui/parts.tsx";
import { ForTeachers } from "../ui/role.tsx";
import { useSettings } from "../ui/use-settings.ts";
import { useAnswer } from "../workers/use-answer.ts";
import { MoveDetail } from "./move-detail.tsx";
import { ALL, MoveList, search } from "./move-list.tsx";

/** The moves of all traditions: found by any name, shown with what they do. */
const NOTHING_ASKED = {};
const FILTERS = { q: "", group: ALL };

type OwnMoves = NonNullable<SchoolData["moves"]>;

type Patch = (change: Pick<SchoolData, "moves" | "deletedMoves">) => void;

/** Takes a move of the school's own out, and brings it back as it was, now or later. */
function useOwnMoves(
  moves: OwnMoves,
  gone: OwnMoves,
  { patch, known }: { readonly patch: Patch; readonly known: number },
) {
  const [wanted, setWanted] = useState<{ readonly done: Done; readonly version: number } | null>(null);
  // What was taken out a moment ago, before the page has read that it is gone.
  const [taken, setTaken] = useState<OwnMoves>([]);
  const remove = (id: string, title: string) => {
    const one = moves.filter((move) => move.id === id);
    setWanted({ done: { kind: "deleted", id, title }, version: known });
    setTaken(one);
    patch({
      moves: moves.filter((move) => move.id !== id),
      deletedMoves: [...one, ...gone.filter((move) => move.id !== id)].slice(0, MOST_DELETED),
    });
  };
  const bringBack = ({ id, title }: Pick<Done, "id" | "title">) => {
    const back = [...gone, ...taken].filter((move) => move.id === id).slice(0, 1);
    if (back.length === 0) return;
    setWanted({ done: { kind: "restored", id, title }, version: known });
    patch({
      moves: [...moves.filter((move) => move.id !== id), ...back],
      deletedMoves: gone.filter((move) => move.id !== id),
    });
  };
  // Said once it is saved: what is taken back meanwhile would meet an older version.
  return { last: wanted && known > wanted.version ? wanted.done : null, remove, bringBack };
}

export function MovesScreen() {
  const { settings, version, known, patch, result, busy } = useSettings();
  const { answer: cards, trouble } = useAnswer("moves", NOTHING_ASKED, version);
  const { values, set, params } = useFilters(FILTERS);
  const { q: query, group } = values;
  const groups = useMemo(() => [...new Set(cards?.map((c) => c.data.group) ?? [])], [cards]);
  const shown = useMemo(() => search(cards ?? [], query, group), [cards, query, group]);
  const asked = params.get("move");
  const selected = cards?.find((c) => c.id === asked) ?? null;
  const gone = settings.deletedMoves ?? [];
  const own = useOwnMoves(settings.moves ?? [], gone, { patch, known });
  const to = (id: string) => {
    const next = withFilters(params, values, FILTERS);
    next.set("move", id);
    return `/moves?${next}`;
  };
  return (
    <>
      <ScreenHead
        title="Moves"
        lead={cards ? `${cards.length} moves, each with its names, what it does and what it answers.` : "Reading…"}
      >
        <ForTeachers>
          <Button variant="contained" component={Link} to="/moves/new">
            Add a move
          </Button>
        </ForTeachers>
      </ScreenHead>
      <DoneSnackbar last={own.last} onAct={own.bringBack} />
      {(trouble ?? (result && "message" in result)) && (
        <Notice tone="trouble">{trouble ?? (result && "message" in result ? result.message : "")}</Notice>
      )}
      {!cards && !trouble && <LinearProgress aria-label="Reading the moves" sx={{ m: 3 }} />}
      {cards && (
        <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0,1fr)", md: "330px minmax(0,1fr)" }, flex: 1 }}>
          <Box
            sx={{
              display: { xs: selected ? "none" : "block", md: "block" },
              borderRight: { md: 1 },
              borderColor: { md: "hairline" },
            }}
          >
            <Filters query={query} group={group} groups={groups} onSet={set} />
            <MoveList shown={shown} asked={asked} query={query} cards={cards} to={to} />
            <DeletedMoves moves={gone} busy={busy} onBringBack={own.bringBack} />
          </Box>
          <Box
            component="section"
            aria-label="The move"
            sx={{ display: { xs: selected ? "block" : "none", md: "block" }, minWidth: 0 }}
          >
            {selected ? (
              <MoveDetail
                key={selected.id}
                card={selected}
                version={version}
                onDelete={() => own.remove(selected.id, selected.shown)}
              />
            ) : (
              <Box sx={{ p: { xs: 2, sm: 4 }, color: "text.secondary", maxWidth: 460 }}>
                Choose a move on the left. Names of every tradition are found: “pak sao”, “mae geri”, “teep” and “slap
                parry” all lead somewhere.
              </Box>
            )}
          </Box>
        </Box>
      )}
    </>
  );
}

interface FiltersProps {
  readonly query: string;
  readonly group: string;
  readonly groups: readonly string[];
  readonly onSet: (key: keyof typeof FILTERS, value: string) => void;
}

const Filters = ({ query, group, groups, onSet }: FiltersProps) => (
  <Stack direction="row" spacing={1} sx={{ px: { xs: 2, sm: 3 }, py: 1.5, ...NOT_ON_PAPER }}>
    <TextField label="Search" value={query} onChange={(e) => onSet("q", e.target.value)} sx={{ flex: 1 }} />
    <TextField select label="Kind" value={group} onChange={(e) => onSet("group", e.target.value)} sx={{ width: 112 }}>
      <MenuItem value={ALL}>all</MenuItem>
      {groups.map((g) => (
        <MenuItem key={g} value={g}>
          {g}
        </MenuItem>
      ))}
    </TextField>
  </Stack>
);

/** Moves of the school's own that were taken out, each with its way back. */
function DeletedMoves({
  moves,
  busy,
  onBringBack,
}: {
  readonly moves: OwnMoves;
  readonly busy: boolean;
  readonly onBringBack: (move: Pick<Done, "id" | "title">) => void;
}) {
  if (moves.length === 0) return null;
  return (
    <Box component="details" sx={{ px: { xs: 2, sm: 3 }, py: 1, ...NOT_ON_PAPER }}>
      <Box component="summary" sx={{ cursor: "pointer", py: 1, color: "text.secondary" }}>
        {moves.length === 1 ? "1 deleted move" : `${moves.length} deleted moves`}
      </Box>
      <Rows aria-label="Deleted moves">
        {moves.map(({ id, names }) => {
          const title = names.english?.[0] ?? Object.values(names).flat()[0] ?? id;
          return (
            <Row key={id} sx={{ display: "flex", alignItems: "center", gap: 1, py: 0.5 }}>
              <Box sx={{ flex: 1 }}>{title}</Box>
              <Button
                size="small"
                variant="outlined"
                disabled={busy}
                aria-label={`Restore ${title}`}
                onClick={() => onBringBack({ id, title })}
              >
                Restore
              </Button>
            </Row>
          );
        })}
      </Rows>
    </Box>
  );
}
