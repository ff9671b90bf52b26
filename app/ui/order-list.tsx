/** A list whose order somebody decides: moved up and down by button, one after the other. */
import Box from "@mui/material/Box";
import IconButton from "@mui/material/IconButton";
import Stack from "@mui/material/Stack";
import ArrowDownwardIcon from "@mui/icons-material/ArrowDownward";
import ArrowUpwardIcon from "@mui/icons-material/ArrowUpward";
import CloseIcon from "@mui/icons-material/Close";
import type { ReactNode } from "react";
import { Rows } from "./rows.tsx";

interface OrderListProps<T extends string> {
  readonly label: string;
  readonly items: readonly T[];
  /** What is called by what, for screen readers. */
  readonly nameOf: (item: T) => string;
  readonly onChange: (items: readonly T[]) => void;
  /** What is shown of an item, where it is more than its name. */
  readonly show?: (item: T) => ReactNode;
  /** Items can be taken out, all but the last. */
  readonly removable?: boolean;
}

/** The items with one of them moved. */
function moved<T>(items: readonly T[], at: number, to: number): T[] {
  const next = items.filter((_, i) => i !== at);
  next.splice(to, 0, items[at]!);
  return next;
}

export function OrderList<T extends string>({
  label,
  items,
  nameOf,
  onChange,
  show = nameOf,
  removable = false,
}: OrderListProps<T>) {
  return (
    <Rows ordered aria-label={label} sx={{ maxWidth: 520 }}>
      {items.map((item, i) => (
        <Stack component="li" key={item} direction="row" spacing={1} sx={{ alignItems: "center" }}>
          <Box sx={{ width: 22, color: "text.secondary", fontVariantNumeric: "tabular-nums" }}>{i + 1}</Box>
          <Box sx={{ flex: 1 }}>{show(item)}</Box>
          <IconButton
            aria-label={`${nameOf(item)}: earlier`}
            disabled={i === 0}
            onClick={() => onChange(moved(items, i, i - 1))}
          >
            <ArrowUpwardIcon />
          </IconButton>
          <IconButton
            aria-label={`${nameOf(item)}: later`}
            disabled={i === items.length - 1}
            onClick={() => onChange(moved(items, i, i + 1))}
          >
            <ArrowDownwardIcon />
          </IconButton>
          {removable && (
            <IconButton
              aria-label={`Take ${nameOf(item)} out`}
              disabled={items.length === 1}
              onClick={() => onChange(items.filter((_, k) => k !== i))}
            >
              <CloseIcon />
            </IconButton>
          )}
        </Stack>
      ))}
    </Rows>
  );
}
