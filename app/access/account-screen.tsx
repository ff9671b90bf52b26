import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import type { ReactNode } from "react";
import { Link, useFetcher } from "react-router";
import { MIN_PASSWORD, ROLE_HINTS, ROLE_WORDS, type MemberRole } from "#core/people/account.ts";
import type { action } from "../routes/account.tsx";
import { ScreenHead } from "../ui/parts.tsx";
import { Moment } from "../ui/moment.tsx";
import { Field, Part, Spoken } from "./parts.tsx";
import { useNewPasskey } from "./use-passkey.ts";

interface AccountProps {
  readonly account: { readonly name: string; readonly email: string; readonly hasPassword: boolean };
  readonly role: MemberRole;
  readonly schools: readonly {
    readonly school_id: string;
    readonly school: string;
    readonly role: MemberRole;
    readonly isHere: boolean;
  }[];
  readonly passkeys: readonly { readonly id: string; readonly name: string; readonly created_at: string }[];
  readonly devices: readonly {
    readonly id: string;
    readonly device: string;
    readonly seenAt: string;
    readonly isHere: boolean;
    readonly isTablet: boolean;
  }[];
  readonly canUsePasskey: boolean;
}

type Fetcher = ReturnType<typeof useFetcher<typeof action>>;

/** A button that posts. */
const Post = ({
  fetcher,
  fields,
  children,
}: {
  readonly fetcher: Fetcher;
  readonly fields: Readonly<Record<string, string>>;
  readonly children: string;
}) => (
  <Button
    variant="outlined"
    size="small"
    disabled={fetcher.state !== "idle"}
    onClick={() => void fetcher.submit(fields, { method: "post" })}
  >
    {children}
  </Button>
);

export function AccountScreen({ account, role, schools, passkeys, devices, canUsePasskey }: AccountProps) {
  const fetcher = useFetcher<typeof action>();
  return (
    <>
      <ScreenHead title={account.name} lead={`${account.email}. ${ROLE_WORDS[role]}: ${ROLE_HINTS[role]}`}>
        {role === "owner" && (
          <Button component={Link} to="/members">
            Members
          </Button>
        )}
        {(role === "owner" || role === "instructor") && (
          <Button component={Link} to="/settings">
            Settings
          </Button>
        )}
        <Post fetcher={fetcher} fields={{ intent: "sign-out" }}>
          Sign out
        </Post>
      </ScreenHead>
      <Box sx={{ px: { xs: 2, sm: 3 } }}>
        <Spoken said={fetcher.data} />
      </Box>
      <Password fetcher={fetcher} hasPassword={account.hasPassword} />
      <Passkeys fetcher={fetcher} passkeys={passkeys} canUsePasskey={canUsePasskey} />
      <Part title="Where you are signed in">
        {devices.map(({ id, device, seenAt, isHere, isTablet }) => (
          <Line
            key={id}
            words={isTablet ? `Hall tablet: ${device}` : device}
            small={
              isHere ? (
                "this one"
              ) : (
                <>
                  last seen <Moment at={seenAt} />
                </>
              )
            }
          >
            {!isHere && (
              <Post fetcher={fetcher} fields={{ intent: "end", session: id }}>
                Sign it out
              </Post>
            )}
          </Line>
        ))}
        {devices.length > 1 && (
          <Box sx={{ pt: 1 }}>
            <Post fetcher={fetcher} fields={{ intent: "end-others" }}>
              Sign out all others
            </Post>
          </Box>
        )}
      </Part>
      {schools.length > 1 && (
        <Part title="Your schools">
          {schools.map((one) => (
            <Line key={one.school_id} words={one.school} small={ROLE_WORDS[one.role]}>
              {!one.isHere && (
                <Post fetcher={fetcher} fields={{ intent: "school", school: one.school_id }}>
                  Go there
                </Post>
              )}
            </Line>
          ))}
        </Part>
      )}
    </>
  );
}

const Line = ({
  words,
  small,
  children,
}: {
  readonly words: string;
  readonly small: ReactNode;
  readonly children?: ReactNode;
}) => (
  <Stack
    direction="row"
    spacing={2}
    sx={{ alignItems: "center", minHeight: 48, borderBottom: 1, borderColor: "hairline" }}
  >
    <Box sx={{ flex: 1, minWidth: 0, overflowWrap: "anywhere" }}>
      {words}{" "}
      <Box component="span" sx={{ color: "text.secondary", fontSize: "0.9rem" }}>
        {small}
      </Box>
    </Box>
    {children}
  </Stack>
);

const Password = ({ fetcher, hasPassword }: { readonly fetcher: Fetcher; readonly hasPassword: boolean }) => (
  <Part title="Password" lead="Whoever changes it signs all other devices out.">
    <fetcher.Form method="post" style={{ maxWidth: 420 }}>
      {hasPassword && (
        <Field label="Old password" name="old" type="password" autoComplete="current-password" required />
      )}
      <Field
        label="New password"
        name="password"
        type="password"
        autoComplete="new-password"
        helperText={`At least ${MIN_PASSWORD} letters; a few words in a row are good.`}
        required
      />
      <Button type="submit" name="intent" value="password" variant="outlined" sx={{ mt: 1 }}>
        Change the password
      </Button>
    </fetcher.Form>
  </Part>
);

function Passkeys({
  fetcher,
  passkeys,
  canUsePasskey,
}: Pick<AccountProps, "passkeys" | "canUsePasskey"> & { readonly fetcher: Fetcher }) {
  const made = useNewPasskey();
  return (
    <Part title="Passkeys" lead="A device that has one signs in without a password, by its own lock.">
      {passkeys.map(({ id, name, created_at }) => (
        <Line
          key={id}
          words={name}
          small={
            <>
              since <Moment at={created_at} />
            </>
          }
        >
          <Post fetcher={fetcher} fields={{ intent: "passkey-delete", passkey: id }}>
            Delete
          </Post>
        </Line>
      ))}
      <Spoken said={made.said} />
      {canUsePasskey ? (
        <Button variant="outlined" onClick={made.start} disabled={made.busy}>
          Make a passkey on this device
        </Button>
      ) : (
        "Passkeys need an address with a name: open this as localhost, or by the name of the machine."
      )}
    </Part>
  );
}
