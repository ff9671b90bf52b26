/** A table of figures: quiet heads, hairlines, numbers under each other; what can be scrolled sideways can be by keys. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { styled } from "@mui/material/styles";
import type { ReactNode } from "react";
import { PAGE, type Sorting } from "#core/lists/rows-shown.ts";
import { NOT_ON_PAPER } from "./theme.ts";

export const Table = styled("table")(({ theme }) => ({
  width: "100%",
  borderCollapse: "collapse",
  fontVariantNumeric: "tabular-nums",
  "& th": { textAlign: "left", fontWeight: 600, color: theme.vars?.palette.text.secondary, padding: "4px 10px" },
  "& td": { padding: "4px 10px", borderTop: `1px solid ${theme.vars?.palette.hairline}` },
  "& .measure": { whiteSpace: "nowrap" },
  "& tbody tr:hover": { background: theme.vars?.palette.background.paper },
}));

interface DataTableProps {
  readonly label: string;
  readonly heads: readonly string[];
  /** One cell for each head. */
  readonly rows: readonly { readonly key: string; readonly cells: readonly ReactNode[] }[];
}

export const DataTable = ({ label, heads, rows }: DataTableProps) => (
  <Box sx={{ overflowX: "auto", position: "relative" }} tabIndex={0} role="region" aria-label={label}>
    <Table>
      <thead>
        <tr>
          {heads.map((head) => (
            <th key={head} scope="col">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ key, cells }) => (
          <tr key={key}>
            {cells.map((cell, i) => (
              <td key={heads[i]}>{cell}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </Table>
  </Box>
);

const SortButton = styled("button")({
  font: "inherit",
  color: "inherit",
  fontWeight: 600,
  background: "none",
  border: 0,
  padding: "8px 0",
  whiteSpace: "nowrap",
  cursor: "pointer",
});

interface SortHeadProps<Key extends string> {
  readonly by: Key;
  readonly sort: Sorting<Key>;
  readonly onSort: (sort: Sorting<Key>) => void;
  readonly className?: string;
  readonly children: ReactNode;
}

/** The head of a column that the list can be sorted by; pressed again it turns round. */
export function SortHead<Key extends string>({ by, sort, onSort, className, children }: SortHeadProps<Key>) {
  const isThis = sort.key === by;
  const order = sort.down ? "descending" : "ascending";
  const arrow = sort.down ? "↓" : "↑";
  return (
    <th scope="col" className={className} aria-sort={isThis ? order : "none"}>
      <SortButton type="button" onClick={() => onSort({ key: by, down: isThis && !sort.down })}>
        {children} <span aria-hidden>{isThis ? arrow : ""}</span>
      </SortButton>
    </th>
  );
}

/** Below a long list: how much of it is shown, and more. */
export function MoreRows({ shown, rows, onMore }: { shown: number; rows: number; onMore: () => void }) {
  if (rows <= shown) return null;
  return (
    <Box sx={{ display: "flex", gap: 2, alignItems: "center", px: 1.5, py: 2, ...NOT_ON_PAPER }}>
      <Box role="status" sx={{ color: "text.secondary" }}>
        {shown} of {rows} are shown.
      </Box>
      <Button variant="outlined" onClick={onMore}>
        Show {Math.min(PAGE, rows - shown)} more
      </Button>
    </Box>
  );
}
