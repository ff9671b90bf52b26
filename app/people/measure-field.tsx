/** A measure as it is typed: `18.5` and `18,5` stay what they are until it is saved. */
import TextField from "@mui/material/TextField";

/** A measure as text; null where nothing is written, undefined where it is not a number. */
export function readMeasure(text: string): number | null | undefined {
  const plain = text.trim();
  if (plain === "") return null;
  return /^\d{1,4}(?:[.,]\d{0,3})?$/.test(plain) ? Number(plain.replace(",", ".")) : undefined;
}

export const measureText = (value: number | null): string => (value === null ? "" : String(value));

interface MeasureProps {
  readonly label: string;
  readonly text: string;
  readonly fault: string | undefined;
  readonly onType: (text: string) => void;
}

export function MeasureField({ label, text, fault, onType }: MeasureProps) {
  return (
    <TextField
      size="small"
      label={label}
      value={text}
      error={fault !== undefined}
      helperText={fault}
      onChange={(event) => onType(event.target.value)}
      slotProps={{ htmlInput: { inputMode: "decimal" } }}
    />
  );
}
