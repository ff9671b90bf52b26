import Box from "@mui/material/Box";
import Stack from "@mui/material/Stack";
import Typography from "@mui/material/Typography";
import type { QrCode } from "#server/share/token.ts";
import { QrSvg } from "../paper/qr.tsx";
import { OnlyHere } from "../share/share-box.tsx";
import { CopyButton } from "../ui/copy-button.tsx";
import { Moment } from "../ui/moment.tsx";
import { ScreenHead } from "../ui/parts.tsx";
import { MembersNav } from "./members-nav.tsx";

interface PostBoxProps {
  readonly letters: readonly {
    readonly id: string;
    readonly recipient: string;
    readonly subject: string;
    readonly body: string;
    readonly at: string;
    readonly isSent: boolean;
    /** The address in a letter that waits. */
    readonly address: { readonly text: string; readonly qr: QrCode; readonly isHereOnly: boolean } | null;
  }[];
  readonly mailIsSent: boolean;
}

export const PostBoxScreen = ({ letters, mailIsSent }: PostBoxProps) => (
  <>
    <ScreenHead
      title="Outgoing invitations"
      lead={
        mailIsSent
          ? "What was mailed, the newest first. What could not be sent says so."
          : "No mail server is set, so letters wait here: copy each and send it yourself. With SMTP_URL and MAIL_FROM they are mailed."
      }
    />
    <MembersNav />
    <Box sx={{ px: { xs: 2, sm: 3 }, maxWidth: 760 }}>
      {letters.some(({ address }) => address?.isHereOnly) && <OnlyHere />}
      {letters.length === 0 && (
        <Typography sx={{ my: "1em", color: "text.secondary" }}>
          Nothing was written yet. Invitations and new passwords come through here.
        </Typography>
      )}
      {letters.map(({ id, recipient, subject, body, at, isSent, address }) => (
        <Box component="article" key={id} sx={{ py: 2, borderBottom: 1, borderColor: "hairline" }}>
          <Typography variant="h3" component="h2">
            {subject}
          </Typography>
          <Box sx={{ color: "text.secondary", fontSize: "0.9rem" }}>
            To {recipient}, <Moment at={at} />, {isSent ? "sent" : "not sent"}
          </Box>
          <Box component="pre" sx={{ font: "inherit", whiteSpace: "pre-wrap", overflowWrap: "anywhere", mb: 0 }}>
            {body}
          </Box>
          {address && (
            <Stack direction="row" spacing={1} sx={{ mt: 1.5, flexWrap: "wrap", alignItems: "start" }}>
              <CopyButton label="Copy the letter" text={body} />
              <CopyButton label="Copy the address" text={address.text} />
              <Box component="details">
                <Box component="summary" sx={{ cursor: "pointer", py: 0.5, px: 1 }}>
                  Code for a phone
                </Box>
                <QrSvg qr={address.qr} label={`Code of the address for ${recipient}`} width={180} />
              </Box>
            </Stack>
          )}
        </Box>
      ))}
    </Box>
  </>
);
