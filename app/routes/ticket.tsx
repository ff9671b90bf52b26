import { redirect } from "react-router";
import { ticketFormIn } from "#server/access/forms.ts";
import { openTicket, takeAtOnce, takeWithForm, ticketView } from "#server/access/tickets.ts";
import { reading, refused, writingOpen } from "#server/respond.ts";
import type { Route } from "./+types/ticket.ts";
import { TicketScreen } from "../access/ticket-screen.tsx";
import { WITHOUT_FRAME } from "../ui/frame.tsx";

export const handle = WITHOUT_FRAME;
export const meta: Route.MetaFunction = () => [{ title: "Come in · Vicissor" }];

export function loader({ params, request }: Route.LoaderArgs) {
  return reading(async () => {
    const ticket = await openTicket(params.token);
    if (!ticket) return { ticket: null };
    if (ticket.kind === "sign-in") throw redirect("/", { headers: await takeAtOnce(ticket, request) });
    if (ticket.kind === "tablet")
      throw redirect(`/class/${ticket.class_id}/floor`, { headers: await takeAtOnce(ticket, request) });
    return { ticket: await ticketView(ticket) };
  });
}

export async function action({ params, request }: Route.ActionArgs) {
  return writingOpen(request, async (fields) => {
    const ticket = await openTicket(params.token);
    if (!ticket) return refused("This address was used already, or its time is over. Ask for a new one.");
    const { kind, hasAccount } = await ticketView(ticket);
    const isSchool = kind === "school";
    const needs = { school: isSchool, email: isSchool, name: isSchool || (kind === "invitation" && !hasAccount) };
    throw redirect("/", { headers: await takeWithForm(ticket, ticketFormIn(fields, needs), request) });
  });
}

export default function Ticket({ loaderData }: Route.ComponentProps) {
  return <TicketScreen {...loaderData} />;
}
