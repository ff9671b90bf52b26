/** A class of the term as a form describes it. */
import { number, object, string } from "yup";

const MINUTES = "A class has 5 to 480 minutes.";
const day = string()
  .matches(/^\d{4}-\d\d-\d\d$/, "A day is written 2026-11-25.")
  .required("Say on which day.");

const minutes = number()
  .typeError("Minutes are a number, such as 90.")
  .integer("Minutes are whole.")
  .min(5, MINUTES)
  .max(480, MINUTES)
  .required(MINUTES);

/** How long a class is, and how long the page said that it was. */
export const minutesSchema = object({ minutes, was: minutes });

/** A class of the term. */
export const classSchema = object({
  id: string().uuid().required(),
  title: string().trim().max(120, "A name has at most 120 letters.").required("A class needs a name."),
  theme: string().trim().max(200, "A theme has at most 200 letters.").default(""),
  held_on: day,
  starts_at: string()
    .matches(/^\d\d:\d\d(:\d\d)?$/, "A time is written 19:00.")
    .required("Say when it begins."),
  minutes,
});

/** The day on which a class is held again. */
export const copySchema = object({ day });
