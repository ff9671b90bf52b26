/** The drills as a table: sorted by its heads, with what was made from each folded below it, and a tick to choose by. */
import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import { styled } from "@mui/material/styles";
import { useState } from "react";
import { MoreRows, SortHead } from "../ui/data-table.tsx";
import { useTeaches } from "../ui/role.tsx";
import type { Sorting } from "#core/lists/rows-shown.ts";
import { FOR_THUMBS, UNSEEN } from "../ui/theme.ts";
import { DrillRow } from "./drill-row.tsx";
import type { DrillGroup, SortKey } from "#core/lists/drill-list.ts";

/** Wide columns go where there is no room; on paper the list stands alone, without what can be pressed. */
const DrillRows = styled(Table)(({ theme }) => ({
  "& th": { paddingInline: 12, fontSize: "0.92rem" },
  "& td": { padding: "6px 12px", verticalAlign: "middle" },
  "& tr[data-chosen]": { background: theme.vars?.palette.background.paper },
  "& .choose": { padding: 0, width: 34 },
  "& a": {
    color: "inherit",
    fontWeight: 650,
    fontSize: "1.05rem",
    textDecorationColor: theme.vars?.palette.hairline,
    textUnderlineOffset: 4,
  },
  [theme.breakpoints.down("md")]: { "& .wide": { display: "none" } },
  "@media print": { "& .choose, & .acts": { display: "none" } },
}));

interface TableProps {
  /** The rows that are drawn. */
  readonly groups: readonly DrillGroup[];
  /** How many there are. */
  readonly rows: number;
  readonly onMore: () => void;
  /** The largest load in the list. */
  readonly most: number;
  readonly sort: Sorting<SortKey>;
  readonly onSort: (sort: Sorting<SortKey>) => void;
  /** Ids of the drills that are chosen. */
  readonly chosen: ReadonlySet<string>;
  readonly onChoose: (chosen: ReadonlySet<string>) => void;
}

export function DrillTable({ groups, rows, onMore, most, sort, onSort, chosen, onChoose }: TableProps) {
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set());
  const teaches = useTeaches();
  const all = groups.flatMap(idsOf);
  const choose = (ids: readonly string[], now: boolean) =>
    onChoose(new Set(now ? [...chosen, ...ids] : [...chosen].filter((id) => !ids.includes(id))));
  const toggle = (id: string) => setOpen(new Set(open.has(id) ? [...open].filter((one) => one !== id) : [...open, id]));
  const head = (key: SortKey, label: string, className?: string) => (
    <SortHead by={key} sort={sort} onSort={onSort} {...(className ? { className } : {})}>
      {label}
    </SortHead>
  );
  return (
    <Box sx={{ px: { xs: 0.5, sm: 1.5 }, pb: 4 }}>
      <DrillRows>
        <TableHead>
          <TableRow>
            {teaches && (
              <TableCell className="choose">
                <Checkbox
                  size="small"
                  disabled={all.length === 0}
                  checked={all.length > 0 && all.every((id) => chosen.has(id))}
                  indeterminate={all.some((id) => chosen.has(id)) && !all.every((id) => chosen.has(id))}
                  onChange={(_, now) => choose(all, now)}
                  slotProps={{ input: { "aria-label": "Choose all that are listed" } }}
                  sx={{ p: 0.75, ...FOR_THUMBS }}
                />
              </TableCell>
            )}
            {head("verdict", "Verdict")}
            {head("title", "Drill")}
            <TableCell className="wide">Kind</TableCell>
            <TableCell className="wide">Tools</TableCell>
            {head("load", "Load", "wide")}
            {head("trained", "Last trained", "wide")}
            {teaches && (
              <TableCell className="acts">
                <Box component="span" sx={UNSEEN}>
                  Star, copy, delete
                </Box>
              </TableCell>
            )}
          </TableRow>
        </TableHead>
        <TableBody>
          {groups.map((group) => (
            <Group
              key={group.drill.id}
              {...{ group, most, chosen }}
              isOpen={open.has(group.drill.id)}
              onToggle={() => toggle(group.drill.id)}
              onChoose={choose}
            />
          ))}
        </TableBody>
      </DrillRows>
      <MoreRows shown={groups.length} rows={rows} onMore={onMore} />
    </Box>
  );
}

interface GroupProps extends Pick<TableProps, "most" | "chosen"> {
  readonly group: DrillGroup;
  readonly isOpen: boolean;
  readonly onToggle: () => void;
  readonly onChoose: (ids: readonly string[], now: boolean) => void;
}

/** A drill and what was made from it. What is folded below a drill is chosen with it. */
const Group = ({ group, most, chosen, isOpen, onToggle, onChoose }: GroupProps) => {
  const { drill, below } = group;
  return (
    <>
      <DrillRow
        drill={drill}
        most={most}
        chosen={chosen.has(drill.id)}
        onChoose={(now) => onChoose(isOpen ? [drill.id] : idsOf(group), now)}
        {...(below.length > 0 ? { fold: { count: below.length, open: isOpen, onToggle } } : {})}
      />
      {isOpen &&
        below.map((one) => (
          <DrillRow
            key={one.id}
            drill={one}
            most={most}
            below
            chosen={chosen.has(one.id)}
            onChoose={(now) => onChoose([one.id], now)}
          />
        ))}
    </>
  );
};

const idsOf = ({ drill, below }: DrillGroup): string[] => [drill.id, ...below.map(({ id }) => id)];
