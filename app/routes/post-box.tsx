import { mailIsSent, readLetters } from "#server/access/post.ts";
import { scopeContext } from "#server/web/context.ts";
import { reading } from "#server/web/respond.ts";
import type { Route } from "./+types/post-box.ts";
import { PostBoxScreen } from "../access/post-box-screen.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Outgoing invitations · Vicissor" }];

export function loader({ context }: Route.LoaderArgs) {
  return reading(async () => ({
    letters: (await readLetters(context.get(scopeContext))).map(({ created_at, sent_at, ...one }) => ({
      ...one,
      at: created_at.toISOString(),
      isSent: sent_at !== null,
    })),
    mailIsSent: mailIsSent(),
  }));
}

export default function PostBox({ loaderData }: Route.ComponentProps) {
  return <PostBoxScreen {...loaderData} />;
}
