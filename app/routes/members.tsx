import { changeMember, listMembers } from "#db/accounts.ts";
import { setClearedForMinors } from "#db/class-adults.ts";
import { listStudents } from "#db/people.ts";
import { db } from "#db/pool.ts";
import { endTicket, listInvitations } from "#db/tickets.ts";
import { invitedIn, memberIn } from "#server/access/forms.ts";
import { mailIsSent } from "#server/access/post.ts";
import { invite } from "#server/access/tickets.ts";
import { scopeContext } from "#server/web/context.ts";
import { idIn } from "#server/web/forms.ts";
import { reading, refused, writing } from "#server/web/respond.ts";
import { outsideOf } from "#server/share/links.ts";
import type { Route } from "./+types/members.ts";
import { MembersScreen } from "../access/members-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = () => [{ title: "Members · Vicissor" }];

export function loader({ context }: Route.LoaderArgs) {
  return reading(async () => {
    const scope = context.get(scopeContext);
    const [members, invitations, people] = await Promise.all([
      listMembers(scope),
      listInvitations(scope),
      listStudents(db, scope),
    ]);
    return {
      members: members.map(({ seen_at, ...one }) => ({ ...one, seenAt: seen_at?.toISOString() ?? null })),
      invitations: invitations.map(({ ends_at, ...one }) => ({ ...one, endsAt: ends_at.toISOString() })),
      people: people.map(({ id, name }) => ({ id, name })),
      me: scope.accountId,
      mailIsSent: mailIsSent(),
    };
  });
}

const DONE = {
  changed: null,
  "last owner": "A school always has an owner. Make somebody else an owner first.",
  "not here": "This account does not belong to the school any more. Load the page again.",
} as const;

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  return writing({ request, context }, async (fields) => {
    const changed = async (to: Parameters<typeof changeMember>[2], said: string) => {
      const trouble = DONE[await changeMember(scope, idIn(fields.account), to)];
      return trouble ? refused(trouble) : { kind: "saved" as const, message: said };
    };
    switch (fields.intent) {
      case "invite": {
        const invited = invitedIn(fields);
        await invite(scope, invited, outsideOf(request));
        return {
          kind: "saved" as const,
          message: `An invitation to ${invited.email} waits under Outgoing invitations.`,
        };
      }
      case "take-back":
        await endTicket(scope, idIn(fields.id));
        return { kind: "saved" as const, message: "The invitation is taken back." };
      case "role":
        return changed(memberIn(fields), "The role is changed. They sign in again.");
      case "cleared": {
        const cleared = { accountId: idIn(fields.account), cleared: fields.cleared === "yes" };
        return (await setClearedForMinors(db, scope, cleared))
          ? {
              kind: "saved" as const,
              message: cleared.cleared
                ? "They are offered for classes of minors."
                : "They are not offered for classes of minors.",
            }
          : refused("This account does not belong to the school any more. Load the page again.");
      }
      case "remove":
        return changed(null, "They do not belong to the school any more.");
      default:
        return refused("This page is older than the application. Load it again.");
    }
  });
}

export default function Members({ loaderData }: Route.ComponentProps) {
  return <MembersScreen {...loaderData} />;
}
