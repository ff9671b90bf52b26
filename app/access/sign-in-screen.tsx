import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import { useMemo, useState } from "react";
import { useFetcher } from "react-router";
import { ROLE_WORDS } from "#core/people/account.ts";
import type { ShownAccount } from "#db/accounts.ts";
import type { action } from "../routes/sign-in.tsx";
import { Door, Field, Spoken } from "./parts.tsx";
import { usePasskey } from "./use-passkey.ts";

interface SignInProps {
  /** Where to go on to. */
  readonly next: string;
  /** Accounts of the demo club. */
  readonly shown: readonly ShownAccount[];
  readonly canUsePasskey: boolean;
  readonly mailIsSent: boolean;
}

export function SignInScreen({ next, shown, canUsePasskey, mailIsSent }: SignInProps) {
  const fetcher = useFetcher<typeof action>();
  const passkey = usePasskey(useMemo(() => ({ next }), [next]));
  const [forgot, setForgot] = useState(false);
  const busy = fetcher.state !== "idle" || passkey.busy;
  return (
    <Door title={forgot ? "A new password" : "Sign in"}>
      <fetcher.Form method="post">
        <input type="hidden" name="next" value={next} />
        <Field label="Address (e-mail)" name="email" type="email" autoComplete="username webauthn" required autoFocus />
        {forgot ? (
          <Forgot fetcher={fetcher} mailIsSent={mailIsSent} back={() => setForgot(false)} />
        ) : (
          <>
            <Field label="Password" name="password" type="password" autoComplete="current-password" required />
            <FormControlLabel
              control={<Checkbox name="stays" value="yes" />}
              label="This is my own device: stay signed in"
              sx={{ mt: 1 }}
            />
            <Spoken said={fetcher.data ?? passkey.said} />
            <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1 }}>
              <Button type="submit" name="intent" value="password" variant="contained" disabled={busy}>
                Sign in
              </Button>
              {canUsePasskey && (
                <Button variant="outlined" onClick={passkey.start} disabled={busy}>
                  With a passkey
                </Button>
              )}
              <Button onClick={() => setForgot(true)}>Password forgotten</Button>
            </Box>
          </>
        )}
      </fetcher.Form>
      {!canUsePasskey && (
        <Box component="p" sx={{ color: "text.secondary", fontSize: "0.9rem" }}>
          Passkeys need an address with a name: open this as localhost.
        </Box>
      )}
      {shown.length > 0 && <DemoAccounts shown={shown} next={next} />}
    </Door>
  );
}

interface ForgotProps {
  readonly fetcher: ReturnType<typeof useFetcher<typeof action>>;
  readonly mailIsSent: boolean;
  readonly back: () => void;
}

const Forgot = ({ fetcher, mailIsSent, back }: ForgotProps) => {
  const posted = fetcher.data && "kind" in fetcher.data && fetcher.data.kind === "posted";
  return (
    <>
      <Box component="p" role="status" sx={{ color: "text.secondary" }}>
        {posted
          ? `If this address has an account, a letter for it is ${mailIsSent ? "on its way" : "in the post box of the school, where its owner finds it"}.`
          : "A letter with a link for a new password goes to this address."}
      </Box>
      {!posted && <Spoken said={fetcher.data} />}
      <Box sx={{ display: "flex", gap: 1 }}>
        <Button type="submit" name="intent" value="forgot" variant="contained" disabled={fetcher.state !== "idle"}>
          Write the letter
        </Button>
        <Button onClick={back}>Back</Button>
      </Box>
    </>
  );
};

/** One press each: everybody at this machine may look at the demo club in any role. */
function DemoAccounts({ shown, next }: { readonly shown: readonly ShownAccount[]; readonly next: string }) {
  const fetcher = useFetcher<typeof action>();
  return (
    <Box component="section" aria-label="Demo club" sx={{ mt: 4, pt: 2, borderTop: 1, borderColor: "hairline" }}>
      <Box component="h2" sx={{ typography: "h3", m: 0 }}>
        The demo club
      </Box>
      <Box component="p" sx={{ color: "text.secondary", mt: 0.5 }}>
        Look around as one of its people. All have the password “{shown[0]!.password}”, on this machine alone.
      </Box>
      {shown.map(({ name, email, password, role }) => (
        <fetcher.Form key={email} method="post">
          <input type="hidden" name="next" value={next} />
          <input type="hidden" name="email" value={email} />
          <input type="hidden" name="password" value={password} />
          <Button
            type="submit"
            name="intent"
            value="password"
            disabled={fetcher.state !== "idle"}
            sx={{ textAlign: "left" }}
          >
            {name}, {ROLE_WORDS[role].toLowerCase()}
          </Button>
          <Box component="span" sx={{ color: "text.secondary", fontSize: "0.9rem" }}>
            {email}
          </Box>
        </fetcher.Form>
      ))}
      <Spoken said={fetcher.data} />
    </Box>
  );
}
