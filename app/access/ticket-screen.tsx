import Button from "@mui/material/Button";
import { Link, useFetcher } from "react-router";
import { MIN_PASSWORD, ROLE_WORDS } from "#core/people/account.ts";
import type { TicketView } from "#server/access/tickets.ts";
import type { action } from "../routes/ticket.tsx";
import { Door, Field, Spoken } from "./parts.tsx";

export function TicketScreen({ ticket }: { readonly ticket: TicketView | null }) {
  if (!ticket)
    return (
      <Door
        title="This address is over"
        lead="It was used already, or its time has passed. Ask for a new one where you got it; from the terminal, start the application again."
      >
        <Button component={Link} to="/sign-in" variant="contained">
          Sign in
        </Button>
      </Door>
    );
  return ticket.kind === "sign-in" || ticket.kind === "tablet" ? (
    <OneButton ticket={ticket} />
  ) : (
    <TicketForm ticket={ticket} />
  );
}

/** Nothing is typed: one press takes it. */
function OneButton({ ticket }: { readonly ticket: TicketView }) {
  const fetcher = useFetcher<typeof action>();
  const isTablet = ticket.kind === "tablet";
  return (
    <Door
      title={isTablet ? "This tablet runs a class" : "Sign in"}
      lead={
        isTablet
          ? `It shows the floor and the wall of one class of ${ticket.school ?? "the school"}, and nothing else.`
          : `Sign in to ${ticket.school ?? "the school"} as ${ticket.email ?? "its owner"}. The address is good once.`
      }
    >
      <fetcher.Form method="post">
        <Spoken said={fetcher.data} />
        <Button type="submit" variant="contained" disabled={fetcher.state !== "idle"}>
          {isTablet ? "Use this tablet" : "Sign in"}
        </Button>
      </fetcher.Form>
    </Door>
  );
}

const TITLES = { school: "A school of your own", invitation: "Join", password: "A new password" } as const;

function leadOf({ kind, school, email, role, hasAccount }: TicketView): string {
  switch (kind) {
    case "school":
      return "It begins empty: no drills, no people. You are its owner and can let others in.";
    case "invitation":
      return `${school} lets you in as ${ROLE_WORDS[role!].toLowerCase()}, ${email}.${hasAccount ? " You have an account already: type its password." : ""}`;
    default:
      return `For ${email}. Other devices are signed out.`;
  }
}

function TicketForm({ ticket }: { readonly ticket: TicketView }) {
  const fetcher = useFetcher<typeof action>();
  const { kind, hasAccount } = ticket;
  const isSchool = kind === "school";
  const isNew = kind !== "invitation" || !hasAccount;
  return (
    <Door title={TITLES[kind as keyof typeof TITLES]} lead={leadOf(ticket)}>
      <fetcher.Form method="post">
        {isSchool && <Field label="Name of the school" name="school" required autoFocus />}
        {(isSchool || (kind === "invitation" && !hasAccount)) && (
          <Field label="Your name" name="name" autoComplete="name" required />
        )}
        {isSchool && <Field label="Your e-mail" name="email" type="email" autoComplete="username" required />}
        <Field
          label="Password"
          name="password"
          type="password"
          autoComplete={isNew ? "new-password" : "current-password"}
          helperText={isNew ? `At least ${MIN_PASSWORD} letters; a few words in a row are good.` : ""}
          required
        />
        <Spoken said={fetcher.data} />
        <Button type="submit" variant="contained" disabled={fetcher.state !== "idle"}>
          {isSchool ? "Make the school" : "Join"}
        </Button>
      </fetcher.Form>
    </Door>
  );
}
