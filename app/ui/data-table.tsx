/** A table of figures: quiet heads, hairlines, numbers under each other; what can be scrolled sideways can be by keys. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import TableSortLabel from "@mui/material/TableSortLabel";
import type { ReactNode } from "react";
import { PAGE, type Sorting } from "#core/lists/rows-shown.ts";
import { NOT_ON_PAPER } from "./theme.ts";

interface DataTableProps {
  readonly label: string;
  readonly heads: readonly string[];
  /** One cell for each head. */
  readonly rows: readonly { readonly key: string; readonly cells: readonly ReactNode[] }[];
}

export const DataTable = ({ label, heads, rows }: DataTableProps) => (
  <Box sx={{ overflowX: "auto", position: "relative" }} tabIndex={0} role="region" aria-label={label}>
    <Table>
      <TableHead>
        <TableRow>
          {heads.map((head) => (
            <TableCell key={head}>{head}</TableCell>
          ))}
        </TableRow>
      </TableHead>
      <TableBody>
        {rows.map(({ key, cells }) => (
          <TableRow key={key}>
            {cells.map((cell, i) => (
              <TableCell key={heads[i]}>{cell}</TableCell>
            ))}
          </TableRow>
        ))}
      </TableBody>
    </Table>
  </Box>
);

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
  const direction = isThis && sort.down ? "desc" : "asc";
  return (
    <TableCell {...(className ? { className } : {})} sortDirection={isThis ? direction : false}>
      <TableSortLabel
        component="button"
        type="button"
        active={isThis}
        hideSortIcon={!isThis}
        direction={direction}
        onClick={() => onSort({ key: by, down: isThis && !sort.down })}
      >
        {children}
      </TableSortLabel>
    </TableCell>
  );
}

/** Below a long list: how much of it is shown, and more. */
export function MoreRows({ shown, rows, onMore }: { shown: number; rows: number; onMore: () => void }) {
  if (rows <= shown) return null;
  return (
    <Stack direction="row" spacing={2} sx={{ alignItems: "center", px: 1.5, py: 2, ...NOT_ON_PAPER }}>
      <Box role="status" sx={{ color: "text.secondary" }}>
        {shown} of {rows} are shown.
      </Box>
      <Button variant="outlined" onClick={onMore}>
        Show {Math.min(PAGE, rows - shown)} more
      </Button>
    </Stack>
  );
}
