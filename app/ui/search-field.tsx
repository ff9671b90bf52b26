/** A field of one line with its label beside it: what lists are searched by. Lighter than a whole form field. */
import Box from "@mui/material/Box";
import OutlinedInput from "@mui/material/OutlinedInput";
import { useId, type Ref } from "react";
import { NOT_ON_PAPER, UNSEEN } from "./theme.ts";

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
  const id = useId();
  return (
    <Box sx={{ display: "flex", flexDirection: "column", ...NOT_ON_PAPER }}>
      <Box component="label" htmlFor={id} sx={hideLabel ? UNSEEN : { color: "text.secondary", fontSize: "0.9rem" }}>
        {label}
      </Box>
      <OutlinedInput
        id={id}
        size="small"
        value={value}
        onChange={(event) => onChange(event.target.value)}
        {...(placeholder ? { placeholder } : {})}
        {...(list ? { slotProps: { input: { list } } } : {})}
        {...(inputRef ? { inputRef } : {})}
        sx={{ width }}
      />
    </Box>
  );
}
