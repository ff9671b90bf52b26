/** What the ways in and the pages about accounts send, checked before anything is done with it. */
import { object, string } from "yup";
import { ROLES, type Role } from "#db/scope.ts";
import { BadInput, idIn, jsonIn, type Fields } from "../web/forms.ts";
import type { Invited, TicketForm } from "./tickets.ts";

const email = string()
  .trim()
  .lowercase()
  .max(200, "An address has at most 200 letters.")
  .matches(/^[^\s@]+@[^\s@]+\.[^\s@]+$/, "Write an address such as name@club.example.")
  .required("Write the address.");
const name = string().trim().required("Write your name.").max(80, "A name has at most 80 letters.");
const password = string().max(200, "Use at most 128 characters.").required("Write the password.");

export const emailIn = ({ email: text }: Fields): string => email.validateSync(text);
export const nameIn = ({ name: text }: Fields): string => name.validateSync(text);
export const passwordIn = (text: string | undefined): string => password.validateSync(text);

export function credentialsIn(fields: Fields) {
  const form = object({ email, password }).validateSync(fields);
  return { ...form, stays: fields.stays === "yes" };
}

/** What comes with a ticket; which fields are needed depends on what it is for. */
export function ticketFormIn(
  fields: Fields,
  needs: { readonly school: boolean; readonly name: boolean; readonly email: boolean },
): TicketForm {
  return {
    school: needs.school
      ? string()
          .trim()
          .required("Write the name of the school.")
          .max(80, "The name of a school has at most 80 letters.")
          .validateSync(fields.school)
      : "",
    name: needs.name ? nameIn(fields) : "",
    email: needs.email ? emailIn(fields) : "",
    password: passwordIn(fields.password),
  };
}

function roleIn(text: string | undefined): Role {
  const found = ROLES.find((role) => role === text);
  if (!found) throw new BadInput("Choose one of the roles.");
  return found;
}

/** Role, and for a student the person of the school that they are. */
export function memberIn(fields: Fields): { readonly role: Role; readonly studentId: string | null } {
  const role = roleIn(fields.role);
  if (role !== "student") return { role, studentId: null };
  if (!fields.person) throw new BadInput("Choose which of the people they are, so that they see their own page.");
  return { role, studentId: idIn(fields.person) };
}

export const invitedIn = (fields: Fields): Invited => ({ email: emailIn(fields), ...memberIn(fields) });

/** The answer of a device to what its passkey was asked: an object with an id; the library reads the rest. */
export function passkeyAnswerIn<Answer extends { readonly id: string }>(fields: Fields) {
  const answer = jsonIn(fields.answer, "The answer of the passkey");
  if (typeof answer !== "object" || answer === null || !("id" in answer) || typeof answer.id !== "string")
    throw new BadInput("The passkey did not answer whole. Try again.");
  return { challengeId: idIn(fields.challenge), answer: answer as Answer };
}
