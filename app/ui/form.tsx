/**
 * Forms one way: `useForm` with the resolver of a schema that core holds the record to, each fault at its field, and
 * what the server says told once.
 */
import TextField, { type TextFieldProps } from "@mui/material/TextField";
import { useEffect, useState } from "react";
import {
  useController,
  type Control,
  type FieldPath,
  type FieldPathByValue,
  type FieldValues,
  type UseFormReturn,
} from "react-hook-form";
import { Choice, type ChoiceProps } from "./choice.tsx";
import { readNumber } from "./read-number.ts";

/** What an action answers: done, or a refusal in words, of one field where it is one that is wrong. */
interface Answer {
  readonly kind?: string;
  readonly message?: string;
  readonly field?: string;
}

/** Follows what the server said of a form: a fault goes to its field, all else is returned in words; done closes it. */
export function useAnswered<T extends FieldValues>(
  { getValues, setError }: Pick<UseFormReturn<T>, "getValues" | "setError">,
  said: Answer | undefined,
  onDone: () => void,
): string | null {
  const field = Object.keys(getValues()).find((key): key is FieldPath<T> => key === said?.field) ?? null;
  useEffect(() => {
    if (said === undefined) return;
    if (said.message === undefined) onDone();
    else if (field !== null) setError(field, { message: said.message });
  }, [said, field, setError, onDone]);
  return field === null ? (said?.message ?? null) : null;
}

interface InForm<T extends FieldValues, Value> {
  readonly control: Control<T>;
  readonly name: FieldPathByValue<T, Value>;
}

type TextProps = Omit<TextFieldProps, "name" | "value" | "defaultValue" | "onChange" | "onBlur" | "error" | "ref">;

/** A field of a form with its label above it; below it stands what is wrong, or what helps. */
export function Field<T extends FieldValues>({
  control,
  name,
  empty = "",
  helperText,
  ...rest
}: InForm<T, string | null> &
  TextProps & {
    /** What an empty field means: no text, or nothing said. */
    readonly empty?: "" | null;
  }) {
  const { field, fieldState } = useController({ control, name });
  const { ref, value, onChange, ...held } = field;
  return (
    <TextField
      {...rest}
      {...held}
      inputRef={ref}
      value={value ?? ""}
      onChange={(event) => onChange(event.target.value || empty)}
      error={fieldState.invalid}
      helperText={fieldState.error?.message ?? helperText}
    />
  );
}

/** A choice of a form among a few words. */
export function ChoiceField<T extends FieldValues, V extends string>({
  control,
  name,
  ...rest
}: InForm<T, V> & Omit<ChoiceProps<V>, "value" | "onChange">) {
  const { field } = useController({ control, name });
  return <Choice {...rest} value={field.value} onChange={field.onChange} />;
}

/** A number as it is typed: `18.5` and `18,5` stay what they are; what is no number is one that the schema refuses. */
export function NumberField<T extends FieldValues>({
  control,
  name,
  helperText,
  ...rest
}: InForm<T, number | null> & TextProps) {
  const { field, fieldState } = useController({ control, name });
  const { ref, value, onChange, ...held } = field;
  const [text, setText] = useState(typeof value === "number" ? String(value) : "");
  return (
    <TextField
      {...rest}
      {...held}
      inputRef={ref}
      value={text}
      onChange={({ target }) => {
        setText(target.value);
        onChange(readNumber(target.value));
      }}
      error={fieldState.invalid}
      helperText={fieldState.error?.message ?? helperText}
      slotProps={{ htmlInput: { inputMode: "decimal" } }}
    />
  );
}
