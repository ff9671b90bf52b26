/** A class of the term as a form describes it. */
import { number, object, string } from "yup";

/** A class of the term. */
export const classSchema = object({
  id: string().uuid().required(),
  title: string().trim().min(1, "A class needs a name.").max(120).required(),
  theme: string().trim().max(200).default(""),
  held_on: string()
    .matches(/^\d{4}-\d\d-\d\d$/, "A day is written 2026-11-25.")
    .required(),
  starts_at: string()
    .matches(/^\d\d:\d\d(:\d\d)?$/, "A time is written 19:00.")
    .required(),
  minutes: number()
    .integer()
    .min(5, "A class has 5 to 480 minutes.")
    .max(480, "A class has 5 to 480 minutes.")
    .required(),
});
