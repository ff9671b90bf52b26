import type { ShownAccount } from "#server/views.ts";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Stack from "@mui/material/Stack";
import Typography from "@mui/material/Typography";
import { useMemo, useState, type ReactNode } from "react";
import { useFetcher } from "react-router";
import { ROLE_HINTS, ROLE_WORDS } from "#core/people/account.ts";
import type { action } from "../routes/sign-in.tsx";
import { ClosingRing } from "./closing-ring.tsx";
import { Field, Spoken, Wordmark } from "./parts.tsx";
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
  const demo = shown.length > 0;
  return (
    <Box
      component="main"
      sx={{
        maxWidth: 1080,
        mx: "auto",
        px: { xs: 2, sm: 4 },
        py: { xs: 3, md: 6 },
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,11fr) minmax(0,8fr)" },
        columnGap: 8,
        rowGap: 4,
      }}
    >
      <Box>
        <Wordmark />
        <Typography variant="h1" sx={{ mb: 1.5 }}>
          Drills for two, checked before you teach them
        </Typography>
        <Typography sx={{ mb: 2, fontSize: "1.1rem", maxWidth: 520 }}>
          For martial arts instructors: write who throws what and what answers it. Vicissor says whether each answer
          holds for these two people, builds a ladder from it, and pairs tonight’s class.
        </Typography>
        <ClosingRing />
        {demo && <DemoAccounts shown={shown} next={next} />}
      </Box>
      <Box component="section" aria-label="Sign in" sx={{ pt: { md: 7 } }}>
        <Typography variant="h2">{forgot ? "A new password" : "Sign in"}</Typography>
        <fetcher.Form method="post">
          <input type="hidden" name="next" value={next} />
          <Field label="E-mail" name="email" type="email" autoComplete="username webauthn" required autoFocus={!demo} />
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
              <Stack direction="row" spacing={1} sx={{ flexWrap: "wrap", mt: 1 }}>
                <Button
                  type="submit"
                  name="intent"
                  value="password"
                  variant={demo ? "outlined" : "contained"}
                  disabled={busy}
                >
                  Sign in
                </Button>
                {canUsePasskey && (
                  <Button variant="outlined" onClick={passkey.start} disabled={busy}>
                    With a passkey
                  </Button>
                )}
                <Button onClick={() => setForgot(true)}>Forgot your password?</Button>
              </Stack>
            </>
          )}
        </fetcher.Form>
        {!canUsePasskey && (
          <Typography sx={{ my: "1em", color: "text.secondary", fontSize: "0.9rem" }}>
            Passkeys need an address with a name: open this as localhost.
          </Typography>
        )}
      </Box>
    </Box>
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
      <Typography role="status" sx={{ my: "1em", color: "text.secondary" }}>
        {posted
          ? `If this address has an account, a letter for it is ${mailIsSent ? "on its way" : "under Outgoing invitations of the school, where its owner finds it"}.`
          : "A letter with a link for a new password goes to this address."}
      </Typography>
      {!posted && <Spoken said={fetcher.data} />}
      <Stack direction="row" spacing={1}>
        <Button type="submit" name="intent" value="forgot" variant="contained" disabled={fetcher.state !== "idle"}>
          Write the letter
        </Button>
        <Button onClick={back}>Back</Button>
      </Stack>
    </>
  );
};

/** One press each: everybody at this machine may look at the demo club in any role. */
function DemoAccounts({ shown, next }: { readonly shown: readonly ShownAccount[]; readonly next: string }) {
  const fetcher = useFetcher<typeof action>();
  const guide = shown.find(({ role }) => role === "instructor") ?? shown[0]!;
  const enter = ({ email, password }: ShownAccount, button: ReactNode) => (
    <fetcher.Form method="post">
      <input type="hidden" name="next" value={next} />
      <input type="hidden" name="email" value={email} />
      <input type="hidden" name="password" value={password} />
      {button}
    </fetcher.Form>
  );
  const press = { type: "submit", name: "intent", value: "password", disabled: fetcher.state !== "idle" } as const;
  return (
    <Box component="section" aria-label="Demo club" sx={{ mt: 3 }}>
      {enter(
        guide,
        <Button {...press} variant="contained" size="large">
          Look around as an instructor
        </Button>,
      )}
      <Typography sx={{ color: "text.secondary", mt: 1.5, mb: 0.5 }}>
        This is the demo club. Each of its people sees what their role needs; the password of all is “{guide.password}”,
        on this machine alone.
      </Typography>
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: "none" }}>
        {shown.map((account) => (
          <Stack component="li" key={account.email} direction="row" sx={{ flexWrap: "wrap", alignItems: "baseline" }}>
            {enter(
              account,
              <Button {...press} sx={{ textAlign: "left", px: 0, mr: 1.5 }}>
                {account.name}, {ROLE_WORDS[account.role].toLowerCase()}
              </Button>,
            )}
            <Box component="span" sx={{ color: "text.secondary", fontSize: "0.95rem", flex: "1 1 260px" }}>
              {ROLE_HINTS[account.role]}
            </Box>
          </Stack>
        ))}
      </Box>
      <Spoken said={fetcher.data} />
    </Box>
  );
}
