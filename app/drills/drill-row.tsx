/** One drill in the list, and what can be done with it from there. */
import { shownVerdict } from "#core/base/verdict-words.ts";
import ContentCopyOutlined from "@mui/icons-material/ContentCopyOutlined";
import DeleteOutlined from "@mui/icons-material/DeleteOutlined";
import StarBorderOutlined from "@mui/icons-material/StarBorderOutlined";
import StarOutlined from "@mui/icons-material/Star";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import IconButton from "@mui/material/IconButton";
import Stack from "@mui/material/Stack";
import TableCell from "@mui/material/TableCell";
import TableRow from "@mui/material/TableRow";
import Tooltip from "@mui/material/Tooltip";
import { styled } from "@mui/material/styles";
import type { ReactNode } from "react";
import { Link, useFetcher } from "react-router";
import type { action } from "../routes/drills.tsx";
import { shortDate } from "../ui/dates.ts";
import { VerdictRing } from "../ui/marks.tsx";
import { useTeaches } from "../ui/role.tsx";
import { FOR_THUMBS } from "../ui/theme.ts";
import type { DrillListRow } from "#core/lists/drill-list.ts";
import { sizeWords } from "#core/lists/sizes.ts";

/** The rows of the list and what is said above it share what was sent and what came of it. */
export const LIST = "drills";

/** The line below the title: how the drill came to be, or its level and size; the problems in it. */
function aboutOf({ changed, summary, verdict }: DrillListRow): string {
  const found = summary.findings ?? 0;
  const mend = verdict === "broken" && found > 0 ? `${found === 1 ? "1 problem" : `${found} problems`} to mend` : null;
  const size = sizeWords(summary.exchanges ?? 0, summary.games ?? 0);
  return [changed ?? summary.level, changed ? null : size, mend].filter(Boolean).join(", ");
}

/** `most`: the largest load in the list. `fold`: shows and hides what was made from it. */
export function DrillRow({
  drill: d,
  most,
  fold,
  below = false,
  chosen,
  onChoose,
}: {
  readonly drill: DrillListRow;
  readonly most: number;
  readonly fold?: { readonly count: number; readonly open: boolean; readonly onToggle: () => void };
  readonly below?: boolean;
  readonly chosen: boolean;
  readonly onChoose: (chosen: boolean) => void;
}) {
  const teaches = useTeaches();
  const hidden = fold && !fold.open ? ` and ${fold.count} made from it` : "";
  return (
    <TableRow {...(chosen ? { "data-chosen": "" } : {})}>
      {teaches && (
        <TableCell className="choose">
          <Checkbox
            size="small"
            checked={chosen}
            onChange={(_, now) => onChoose(now)}
            slotProps={{ input: { "aria-label": `Choose ${d.title}${hidden}` } }}
            sx={{ p: 0.75, ...FOR_THUMBS }}
          />
        </TableCell>
      )}
      <TableCell>
        <VerdictRing verdict={shownVerdict(d.verdict, d.summary.bare)} />
      </TableCell>
      <TableCell sx={below ? { pl: "36px !important" } : {}}>
        <Link to={`/drills/${d.id}`} prefetch="intent">
          {d.title}
        </Link>
        {d.tags.map((tag) => (
          <Tag key={tag}>{tag}</Tag>
        ))}
        <Box sx={{ color: "text.secondary", fontSize: "0.92rem" }}>{aboutOf(d)}</Box>
        {fold && (
          <Button
            size="small"
            color="inherit"
            aria-expanded={fold.open}
            onClick={fold.onToggle}
            sx={{ ml: -0.75, color: "text.secondary" }}
          >
            {fold.open ? "Hide what was made from it" : `${fold.count} made from it`}
          </Button>
        )}
      </TableCell>
      <TableCell className="wide">{d.kind}</TableCell>
      <TableCell className="wide">{d.summary.tools?.join(", ") || "empty hands"}</TableCell>
      <TableCell className="wide">
        <LoadBar value={d.load_total} most={most} />
      </TableCell>
      <TableCell className="wide">{d.last_trained ? shortDate(d.last_trained) : "never"}</TableCell>
      {teaches && (
        <TableCell className="acts">
          <Acts drill={d} />
        </TableCell>
      )}
    </TableRow>
  );
}

/** The buttons of a drill in the list. */
const Acts = ({ drill: d }: { readonly drill: DrillListRow }) => (
  <Stack direction="row" sx={{ justifyContent: "flex-end" }}>
    <Act
      drill={d}
      intent={d.starred ? "unstar" : "star"}
      label={d.starred ? `Take the star off ${d.title}` : `Star ${d.title}`}
    >
      {d.starred ? <StarOutlined fontSize="small" /> : <StarBorderOutlined fontSize="small" />}
    </Act>
    <Act drill={d} intent="copy" label={`Copy ${d.title}`} className="wide">
      <ContentCopyOutlined fontSize="small" />
    </Act>
    <Act drill={d} intent="delete" label={`Delete ${d.title}`}>
      <DeleteOutlined fontSize="small" />
    </Act>
  </Stack>
);

/** A tag beside a title. */
const Tag = styled("span")(({ theme }) => ({
  marginLeft: 8,
  padding: "1px 8px",
  border: `1px solid ${theme.vars?.palette.hairline}`,
  borderRadius: 3,
  color: theme.vars?.palette.text.secondary,
  fontSize: "0.85rem",
  whiteSpace: "nowrap",
}));

/** A button that does something with a drill; it works before the page's own code is there. */
function Act({
  drill: { id, title },
  intent,
  label,
  className,
  children,
}: {
  readonly drill: DrillListRow;
  readonly intent: "star" | "unstar" | "copy" | "delete";
  readonly label: string;
  readonly className?: string;
  readonly children: ReactNode;
}) {
  const fetcher = useFetcher<typeof action>({ key: LIST });
  return (
    <fetcher.Form method="post" {...(className ? { className } : {})}>
      <input type="hidden" name="ids" value={id} />
      <input type="hidden" name="title" value={title} />
      <Tooltip title={label}>
        <IconButton
          type="submit"
          name="intent"
          value={intent}
          size="small"
          aria-label={label}
          sx={{ color: "text.secondary", width: 40, height: 40, ...FOR_THUMBS }}
        >
          {children}
        </IconButton>
      </Tooltip>
    </fetcher.Form>
  );
}

/** Load as a length beside its number. */
export function LoadBar({ value, most }: { value: number; most: number }) {
  return (
    <Stack direction="row" spacing={1} sx={{ alignItems: "center" }}>
      <Box component="span" sx={{ width: 36, textAlign: "right" }}>
        {value.toFixed(1)}
      </Box>
      <Box aria-hidden sx={{ width: 90, height: 6, borderBottom: 1, borderColor: "hairline", position: "relative" }}>
        <Box sx={{ position: "absolute", inset: 0, width: `${(100 * value) / most}%`, bgcolor: "text.secondary" }} />
      </Box>
    </Stack>
  );
}
