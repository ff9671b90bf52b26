import { data, redirect } from "react-router";
import { ticketFormIn } from "#server/access/forms.ts";
import { openTicket, takeAtOnce, takeWithForm, ticketView } from "#server/access/tickets.ts";
import { placeOf, reserveWayIn } from "#server/access/tries.ts";
import { reading, refused, writingOpen } from "#server/web/respond.ts";
import type { Route } from "./+types/ticket.ts";
import { TicketScreen } from "../access/ticket-screen.tsx";
import { WITHOUT_FRAME } from "../ui/frame.tsx";

export const handle = WITHOUT_FRAME;
export const meta: Route.MetaFunction = () => [{ title: "Join · Vicissor" }];

export function loader({ params }: Route.LoaderArgs) {
  return reading(async () => {
    const ticket = await openTicket(params.token);
    // To look at it uses nothing up: a mail program that draws a preview takes no ticket.
    return { ticket: ticket && (await ticketView(ticket)) };
  });
}

export async function action({ params, request, context }: Route.ActionArgs) {
  return writingOpen(request, async (fields) => {
    const place = placeOf(context);
    const barred = await reserveWayIn(place);
    if (barred) return data(refused(barred), { status: 429 });
    const ticket = await openTicket(params.token);
    if (!ticket) return refused("This address was used already, or its time is over. Ask for a new one.");
    if (ticket.kind === "sign-in" || ticket.kind === "tablet") {
      const to = ticket.kind === "tablet" ? `/class/${ticket.class_id}/floor` : "/";
      throw redirect(to, { headers: await takeAtOnce(ticket, request) });
    }
    const { kind, hasAccount } = await ticketView(ticket);
    const isSchool = kind === "school";
    const needs = { school: isSchool, email: isSchool, name: isSchool || (kind === "invitation" && !hasAccount) };
    throw redirect("/", { headers: await takeWithForm(ticket, ticketFormIn(fields, needs), request, place) });
  });
}

export default function Ticket({ loaderData }: Route.ComponentProps) {
  return <TicketScreen {...loaderData} />;
}
