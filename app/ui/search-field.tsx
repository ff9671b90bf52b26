/** What lists are searched by: a field of one line that is not printed. */
import TextField from "@mui/material/TextField";
import type { Ref } from "react";
import { NOT_ON_PAPER } from "./theme.ts";

export function SearchField({
  label,
  value,
  onChange,
  width = 240,
  placeholder,
  inputRef,
  list,
  hideLabel = false,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly width?: number;
  readonly placeholder?: string;
  readonly inputRef?: Ref<HTMLInputElement>;
  /** Id of a `datalist` to choose from. */
  readonly list?: string;
  /** The label is read aloud and not seen. */
  readonly hideLabel?: boolean;
}) {
  return (
    <TextField
      {...(hideLabel ? {} : { label })}
      {...(placeholder ? { placeholder } : {})}
      {...(inputRef ? { inputRef } : {})}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      slotProps={{ htmlInput: { list, ...(hideLabel ? { "aria-label": label } : {}) } }}
      sx={{ width, ...NOT_ON_PAPER }}
    />
  );
}
