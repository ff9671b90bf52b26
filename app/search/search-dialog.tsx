/** One search over everything: drills by title or by the moves in them, people, classes, moves by any spelling. */
import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Dialog from "@mui/material/Dialog";
import TextField from "@mui/material/TextField";
import { useEffect, useState } from "react";
import { useFetcher, useNavigate } from "react-router";
import type { FoundView } from "#server/views.ts";
import type { loader } from "../routes/search.ts";
import { optionGroup } from "../ui/option-group.tsx";
import { shortDate } from "../ui/dates.ts";

/** Something that was found, and where it leads. */
interface Hit {
  readonly kind: "Drills" | "People" | "Classes" | "Moves";
  readonly name: string;
  readonly beside: string | null;
  readonly to: string;
}

/** What was found as one list, kind by kind. */
export const hitsOf = ({ drills, people, classes, moves }: FoundView): readonly Hit[] => [
  ...drills.map(({ id, title, row }): Hit => ({ kind: "Drills", name: title, beside: row, to: `/drills/${id}` })),
  ...moves.map(({ id, name, by }): Hit => ({
    kind: "Moves",
    name,
    beside: by === name ? null : by,
    to: `/moves?move=${encodeURIComponent(id)}`,
  })),
  ...people.map(({ id, name }): Hit => ({ kind: "People", name, beside: null, to: `/people?person=${id}` })),
  ...classes.map(({ id, title, date }): Hit => ({
    kind: "Classes",
    name: title,
    beside: shortDate(date),
    to: `/class/${id}`,
  })),
];

/** What is said below: what to type, that it takes a moment, how much there is. */
function saidOf(asked: boolean, waiting: boolean, hits: number, instead: string | null): string {
  if (!asked) return "Type part of a title, a move in any spelling, a name.";
  if (waiting) return "Looking…";
  if (instead !== null) return instead;
  if (hits === 0) return "Nothing is called so. Try part of the word.";
  return hits === 1 ? "One thing found. Enter opens it." : `${hits} things found. Arrows choose, Enter opens.`;
}

/** Rest of typing before it is looked for, ms. */
const QUIET = 120;

interface SearchProps {
  /** Letters that were typed before the dialog was there. */
  readonly begun: { readonly current: string };
  /** It is there, and takes the keys itself. */
  readonly onHere: () => void;
  readonly onClose: () => void;
}

export function SearchDialog({ begun, onHere, onClose }: SearchProps) {
  const fetcher = useFetcher<typeof loader>();
  const navigate = useNavigate();
  const [typed, setTyped] = useState(() => begun.current);
  useEffect(onHere, []); // eslint-disable-line react-hooks/exhaustive-deps
  const { load } = fetcher;
  useEffect(() => {
    if (typed.trim() === "") return;
    const timer = setTimeout(() => void load(`/search?q=${encodeURIComponent(typed)}`), QUIET);
    return () => clearTimeout(timer);
  }, [typed, load]);
  const asked = typed.trim() !== "";
  const hits = asked && fetcher.data ? hitsOf(fetcher.data) : [];
  const waiting = asked && (fetcher.state !== "idle" || !fetcher.data);
  return (
    <Dialog
      open
      onClose={onClose}
      fullWidth
      maxWidth="sm"
      slotProps={{ paper: { "aria-label": "Search everything" } }}
      sx={{ "& .MuiDialog-container": { alignItems: "flex-start" } }}
    >
      <Autocomplete<Hit, false, false, true>
        freeSolo
        open={asked}
        options={hits}
        groupBy={({ kind }) => kind}
        renderGroup={optionGroup}
        getOptionLabel={(hit) => (typeof hit === "string" ? hit : hit.name)}
        getOptionKey={(hit) => (typeof hit === "string" ? hit : hit.to)}
        filterOptions={(all) => all}
        autoHighlight
        disablePortal
        inputValue={typed}
        onInputChange={(_, value, reason) => reason === "input" && setTyped(value)}
        onChange={(_, chosen) => {
          // Enter before anything is chosen takes what stands first.
          const hit = typeof chosen === "string" ? hits[0] : chosen;
          if (!hit) return;
          onClose();
          void navigate(hit.to);
        }}
        renderInput={(params) => (
          <TextField
            {...params}
            autoFocus
            label="Drills, moves, people, classes"
            placeholder="pak sao, shoulder, Thursday"
            sx={{ p: 2, pt: 3 }}
          />
        )}
        renderOption={({ key, ...props }, { name, beside }) => (
          <Box component="li" key={key} {...props} sx={{ display: "flex", gap: 2, minHeight: 44 }}>
            <HitWords name={name} beside={beside} />
          </Box>
        )}
        slotProps={{
          popper: { sx: { position: "static !important", transform: "none !important", width: "100% !important" } },
          paper: { elevation: 0, sx: { boxShadow: "none", backgroundImage: "none" } },
          listbox: { sx: { maxHeight: "60vh" } },
        }}
      />
      <Box role="status" sx={{ px: 2, pb: 2, color: "text.secondary" }}>
        {saidOf(asked, waiting, hits.length, fetcher.data?.instead ?? null)}
      </Box>
    </Dialog>
  );
}

const HitWords = ({ name, beside }: Pick<Hit, "name" | "beside">) => (
  <>
    <Box component="span" sx={{ flex: "none", maxWidth: "60%" }}>
      {name}
    </Box>
    {beside && (
      <Box
        component="span"
        sx={{
          color: "text.secondary",
          minWidth: 0,
          overflow: "hidden",
          textOverflow: "ellipsis",
          whiteSpace: "nowrap",
        }}
      >
        {beside}
      </Box>
    )}
  </>
);
