/** A small list to choose one of. */
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { SxProps } from "@mui/material/styles";

export interface ChoiceProps<T extends string | number> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly (readonly [value: T, label: string])[];
  readonly onChange: (value: T) => void;
  readonly disabled?: boolean;
  readonly help?: string | undefined;
  readonly sx?: SxProps;
}

export function Choice<T extends string | number>(props: ChoiceProps<T>) {
  const { label, value, options, onChange, disabled = false, help, sx } = props;
  return (
    <TextField
      select
      label={label}
      value={value}
      disabled={disabled}
      helperText={help}
      onChange={(event) => {
        // A list hands over what it was given, a native one the same as text.
        const chosen = options.find(([one]) => String(one) === String(event.target.value));
        if (chosen) onChange(chosen[0]);
      }}
      slotProps={{ select: { displayEmpty: true } }}
      {...(sx ? { sx } : {})}
    >
      {options.map(([one, text]) => (
        <MenuItem key={one} value={one}>
          {text}
        </MenuItem>
      ))}
    </TextField>
  );
}
