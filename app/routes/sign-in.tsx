import { data, redirect } from "react-router";
import { shownAccounts } from "#db/accounts.ts";
import { homeOf } from "#server/access/rules.ts";
import { askerOf, ownPath } from "#server/access/admit.ts";
import { credentialsIn, emailIn, passkeyAnswerIn } from "#server/access/forms.ts";
import { showsPasswords } from "#server/access/network.ts";
import { placeOf, reserveWayIn } from "#server/access/tries.ts";
import { accountBehind, askToSignIn, relyingParty } from "#server/access/passkeys.ts";
import { intoFirstSchool, signIn, type SignInResult } from "#server/access/sign-in.ts";
import { sendLetterLater } from "#server/access/tickets.ts";
import { mailIsSent } from "#server/access/post.ts";
import { addressContext, visitorContext } from "#server/web/context.ts";
import { reading, refused, writingOpen } from "#server/web/respond.ts";
import { outsideOf } from "#server/share/links.ts";
import type { AuthenticationResponseJSON } from "@simplewebauthn/server";
import type { Route } from "./+types/sign-in.ts";
import { SignInScreen } from "../access/sign-in-screen.tsx";
import { WITHOUT_FRAME } from "../ui/frame.tsx";

export const handle = WITHOUT_FRAME;
export const meta: Route.MetaFunction = () => [{ title: "Sign in · Vicissor" }];

export function loader({ context, request }: Route.LoaderArgs) {
  return reading(async () => {
    const visitor = context.get(visitorContext);
    const next = ownPath(new URL(request.url).searchParams.get("next"));
    if (typeof visitor !== "string") throw redirect(next === "/" ? homeOf(askerOf(visitor)) : next);
    return {
      next,
      shown: showsPasswords(request, context.get(addressContext)) ? await shownAccounts() : [],
      canUsePasskey: relyingParty(request) !== null,
      mailIsSent: mailIsSent(),
    };
  });
}

export async function action({ request, context }: Route.ActionArgs) {
  return writingOpen(request, async (fields) => {
    const place = placeOf(context);
    const barred = await reserveWayIn(place);
    if (barred) return data(refused(barred), { status: 429 });
    const enter = (result: SignInResult) => {
      if (result.kind === "refused") return data(result, { status: 401 });
      throw redirect(ownPath(fields.next ?? null), { headers: result.headers });
    };
    switch (fields.intent) {
      case "password":
        return enter(
          await signIn(request, credentialsIn(fields), {
            place,
            isHere: showsPasswords(request, context.get(addressContext)),
          }),
        );
      case "passkey-ask": {
        const party = relyingParty(request);
        if (!party) return refused("Passkeys need an address with a name: open this as localhost, or by its name.");
        return { kind: "asked" as const, ...(await askToSignIn(party.id)) };
      }
      case "passkey": {
        const account = await accountBehind(request, passkeyAnswerIn<AuthenticationResponseJSON>(fields));
        if (!account)
          return refused("This passkey is not known here, or it took too long. Try again, or use the password.");
        return enter(await intoFirstSchool(request, account, "own"));
      }
      case "forgot":
        // After the answer: how long it takes says nothing of who has an account.
        sendLetterLater(emailIn(fields), outsideOf(request));
        return { kind: "posted" as const };
      default:
        return refused("This page is older than the application. Load it again.");
    }
  });
}

export default function SignIn({ loaderData }: Route.ComponentProps) {
  return <SignInScreen {...loaderData} />;
}
