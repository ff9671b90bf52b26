/** A day to filter by. */
import TextField from "@mui/material/TextField";

export function DayField({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}) {
  return <TextField type="date" label={label} value={value} onChange={(event) => onChange(event.target.value)} />;
}
