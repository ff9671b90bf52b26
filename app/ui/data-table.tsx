/** A table of figures: quiet heads, hairlines, numbers under each other; what can be scrolled sideways can be by keys. */
import Box from "@mui/material/Box";
import { styled } from "@mui/material/styles";
import type { ReactNode } from "react";

export const Table = styled("table")(({ theme }) => ({
  width: "100%",
  borderCollapse: "collapse",
  fontVariantNumeric: "tabular-nums",
  "& th": { textAlign: "left", fontWeight: 600, color: theme.vars?.palette.text.secondary, padding: "4px 10px" },
  "& td": { padding: "4px 10px", borderTop: `1px solid ${theme.vars?.palette.hairline}` },
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
