/** What can be done with several drills at once. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import { useId, useState, type ReactNode } from "react";
import { useFetcher } from "react-router";
import { counted } from "#core/lists/sizes.ts";
import type { action } from "../routes/drills.tsx";
import { SearchField } from "../ui/search-field.tsx";
import { NOT_ON_PAPER } from "../ui/theme.ts";
import type { DrillListRow } from "#core/lists/drill-list.ts";
import { LIST } from "./drill-row.tsx";

/** `tags`: those the school has, to choose from. */
export function ChosenBar({
  drills,
  tags,
  onClear,
}: {
  readonly drills: readonly DrillListRow[];
  readonly tags: readonly string[];
  readonly onClear: () => void;
}) {
  const fetcher = useFetcher<typeof action>({ key: LIST });
  const ids = drills.map(({ id }) => id).join(",");
  const [first] = drills;
  const title = drills.length === 1 ? first!.title : counted(drills.length, "drill");
  const send = (fields: Readonly<Record<string, string>>) =>
    void fetcher.submit({ ids, title, ...fields }, { method: "post" });
  const starred = drills.every((drill) => drill.starred);
  const act = (label: ReactNode, fields: Readonly<Record<string, string>>) => (
    <Button size="small" variant="outlined" disabled={fetcher.state !== "idle"} onClick={() => send(fields)}>
      {label}
    </Button>
  );
  return (
    <Stack
      component="section"
      aria-label="Chosen drills"
      direction="row"
      spacing={1}
      sx={{
        position: "sticky",
        top: 0,
        zIndex: 1,
        flexWrap: "wrap",
        alignItems: "center",
        mx: { xs: 0, sm: 3 },
        mb: 1,
        px: 2,
        py: 1,
        bgcolor: "background.paper",
        borderLeft: 4,
        borderColor: "primary.main",
        ...NOT_ON_PAPER,
      }}
    >
      <Box role="status" sx={{ fontWeight: 700, mr: 1 }}>
        {counted(drills.length, "drill")} chosen
      </Box>
      {act(starred ? "Take the star off" : "Star", { intent: starred ? "unstar" : "star" })}
      <TagForm
        tags={tags}
        busy={fetcher.state !== "idle"}
        isWorn={(tag) => drills.every((drill) => drill.tags.includes(tag.toLowerCase()))}
        onTag={(intent, tag) => send({ intent, tag })}
      />
      {act("Delete", { intent: "delete" })}
      <Button size="small" color="inherit" onClick={onClear}>
        Choose none
      </Button>
    </Stack>
  );
}

interface TagFormProps {
  readonly tags: readonly string[];
  readonly busy: boolean;
  /** All that are chosen have the tag already. */
  readonly isWorn: (tag: string) => boolean;
  readonly onTag: (intent: "tag" | "untag", tag: string) => void;
}

function TagForm({ tags, busy, isWorn, onTag }: TagFormProps) {
  const [typed, setTyped] = useState("");
  const list = useId();
  const tag = typed.trim();
  const worn = tag !== "" && isWorn(tag);
  return (
    <Stack
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        onTag(worn ? "untag" : "tag", typed);
        setTyped("");
      }}
      direction="row"
      spacing={1}
      sx={{ alignItems: "center" }}
    >
      <SearchField
        label="Tag"
        hideLabel
        placeholder="a tag: warm-up"
        value={typed}
        onChange={setTyped}
        width={150}
        list={list}
      />
      <datalist id={list}>
        {tags.map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      <Button size="small" variant="outlined" type="submit" disabled={busy || tag === ""}>
        {worn ? "Take the tag off" : "Add tag"}
      </Button>
    </Stack>
  );
}
