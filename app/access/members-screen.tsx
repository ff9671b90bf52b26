import { keysOf } from "#core/base/keys.ts";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import { useState } from "react";
import { useFetcher } from "react-router";
import { ROLE_HINTS, ROLE_WORDS, type MemberRole } from "#core/people/account.ts";
import type { action } from "../routes/members.tsx";
import { DataTable } from "../ui/data-table.tsx";
import { Moment } from "../ui/moment.tsx";
import { ScreenHead } from "../ui/parts.tsx";
import { MembersNav } from "./members-nav.tsx";
import { Field, Part, Spoken } from "./parts.tsx";

type Fetcher = ReturnType<typeof useFetcher<typeof action>>;

interface MemberView {
  readonly minors_cleared: boolean;
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: MemberRole;
  readonly student_id: string | null;
  readonly has_password: boolean;
  readonly passkeys: number;
  readonly seenAt: string | null;
}

interface PersonChoice {
  readonly id: string;
  readonly name: string;
}

interface MembersProps {
  readonly members: readonly MemberView[];
  readonly invitations: readonly {
    readonly id: string;
    readonly email: string;
    readonly role: MemberRole;
    readonly endsAt: string;
  }[];
  readonly people: readonly PersonChoice[];
  /** The account that looks at it. */
  readonly me: string;
  readonly mailIsSent: boolean;
}

const ROLES = keysOf(ROLE_WORDS);

export function MembersScreen({ members, invitations, people, me, mailIsSent }: MembersProps) {
  const fetcher = useFetcher<typeof action>();
  return (
    <>
      <ScreenHead title="Members" lead="Accounts of this school, and what each may do." />
      <MembersNav />
      <Box sx={{ px: { xs: 2, sm: 3 } }}>
        <Spoken said={fetcher.data} />
        <DataTable
          label="Accounts"
          heads={["Name", "Address", "Role", "Minors", "Signs in by", "Last seen", "Change"]}
          rows={members.map((one) => ({
            key: one.id,
            cells: [
              one.name,
              one.email,
              ROLE_WORDS[one.role],
              one.role === "student" ? "" : <Minors key="minors" fetcher={fetcher} member={one} />,
              waysIn(one),
              one.seenAt ? <Moment key="seen" at={one.seenAt} /> : "never",
              <Change key="change" fetcher={fetcher} member={one} people={people} isMe={one.id === me} />,
            ],
          }))}
        />
      </Box>
      {invitations.length > 0 && (
        <Part title="Invited, not here yet">
          <DataTable
            label="Invitations"
            heads={["Address", "Role", "Ends", "Change"]}
            rows={invitations.map(({ id, email, role, endsAt }) => ({
              key: id,
              cells: [
                email,
                ROLE_WORDS[role],
                <Moment key="ends" at={endsAt} />,
                <Button
                  key="back"
                  size="small"
                  disabled={fetcher.state !== "idle"}
                  onClick={() => void fetcher.submit({ intent: "take-back", id }, { method: "post" })}
                >
                  Revoke
                </Button>,
              ],
            }))}
          />
        </Part>
      )}
      <Invite people={people} mailIsSent={mailIsSent} />
    </>
  );
}

/** How somebody comes in, in words. */
function waysIn({ has_password, passkeys }: MemberView): string {
  const keys = passkeys === 1 ? "1 passkey" : `${passkeys} passkeys`;
  const ways = [...(has_password ? ["password"] : []), ...(passkeys > 0 ? [keys] : [])];
  return ways.join(", ") || "nothing yet";
}

interface ChangeProps {
  readonly fetcher: Fetcher;
  readonly member: MemberView;
  readonly people: readonly PersonChoice[];
  readonly isMe: boolean;
}

/** Whether somebody may run a class of minors, as local rules have it: only they are offered as its adults. */
const Minors = ({ fetcher, member }: Pick<ChangeProps, "fetcher" | "member">) => (
  <fetcher.Form method="post">
    <input type="hidden" name="account" value={member.id} />
    <input type="hidden" name="cleared" value={member.minors_cleared ? "no" : "yes"} />
    <Button
      type="submit"
      size="small"
      name="intent"
      value="cleared"
      aria-label={`${member.name}: ${member.minors_cleared ? "cleared for minors; take it back" : "clear for minors"}`}
    >
      {member.minors_cleared ? "cleared" : "not cleared"}
    </Button>
  </fetcher.Form>
);

/** Another role, or out; one's own account is changed by another owner. */
function Change({ fetcher, member, people, isMe }: ChangeProps) {
  const [isOpen, setOpen] = useState(false);
  if (isMe) return "you";
  if (!isOpen)
    return (
      <Button size="small" onClick={() => setOpen(true)} aria-label={`Change ${member.name}`}>
        Change
      </Button>
    );
  return (
    <fetcher.Form method="post" onSubmit={() => setOpen(false)} style={{ minWidth: 220 }}>
      <input type="hidden" name="account" value={member.id} />
      <RoleFields people={people} start={member} />
      <Stack direction="row" spacing={1} sx={{ my: 1 }}>
        <Button type="submit" size="small" name="intent" value="role" variant="outlined">
          Save
        </Button>
        <Button type="submit" size="small" name="intent" value="remove" color="error">
          Take out of the school
        </Button>
        <Button size="small" onClick={() => setOpen(false)}>
          Back
        </Button>
      </Stack>
    </fetcher.Form>
  );
}

interface RoleFieldsProps {
  readonly people: readonly PersonChoice[];
  readonly start: { readonly role: MemberRole; readonly student_id: string | null };
}

/** The role, and for a student which of the people they are. */
function RoleFields({ people, start }: RoleFieldsProps) {
  const [role, setRole] = useState<MemberRole>(start.role);
  return (
    <>
      <Field
        select
        label="Role"
        name="role"
        value={role}
        onChange={({ target }) => setRole(target.value as MemberRole)}
        helperText={ROLE_HINTS[role]}
      >
        {ROLES.map((one) => (
          <MenuItem key={one} value={one}>
            {ROLE_WORDS[one]}
          </MenuItem>
        ))}
      </Field>
      {role === "student" && (
        <Field
          select
          label="Which of the people"
          name="person"
          defaultValue={start.student_id ?? ""}
          helperText="They see the page of this person and no other."
        >
          {people.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </Field>
      )}
    </>
  );
}

function Invite({ people, mailIsSent }: Pick<MembersProps, "people" | "mailIsSent">) {
  const fetcher = useFetcher<typeof action>();
  return (
    <Part
      title="Invite someone"
      lead={
        mailIsSent
          ? "They get a letter with a link, which is good for seven days."
          : "The letter with their link waits under Outgoing invitations: copy the link and send it. It is good for seven days."
      }
    >
      <fetcher.Form method="post" style={{ maxWidth: 420 }}>
        <Field label="Their e-mail" name="email" type="email" required />
        <RoleFields people={people} start={{ role: "assistant", student_id: null }} />
        <Spoken said={fetcher.data} />
        <Button type="submit" name="intent" value="invite" variant="contained" disabled={fetcher.state !== "idle"}>
          Invite
        </Button>
      </fetcher.Form>
    </Part>
  );
}
