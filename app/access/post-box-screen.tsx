import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
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
          : "No mail server is set, so letters wait here: hand them on. With SMTP_URL and MAIL_FROM they are sent."
      }
    />
    <MembersNav />
    <Box sx={{ px: { xs: 2, sm: 3 }, maxWidth: 760 }}>
      {letters.length === 0 && (
        <Typography sx={{ my: "1em", color: "text.secondary" }}>
          Nothing was written yet. Invitations and new passwords come through here.
        </Typography>
      )}
      {letters.map(({ id, recipient, subject, body, at, isSent }) => (
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
        </Box>
      ))}
    </Box>
  </>
);
