/** The link by which people see their rounds on their own phones. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link, useFetcher } from "react-router";
import type { QrCode } from "#server/share/token.ts";
import type { PhoneLink } from "#server/views.ts";
import type { action } from "../routes/phones.tsx";
import { OnlyHere, ShareBox } from "../share/share-box.tsx";
import { QrSvg } from "../paper/qr.tsx";
import { Notice, ScreenHead } from "../ui/parts.tsx";
import { CopyButton } from "../ui/copy-button.tsx";
import { useZone } from "../ui/zone.tsx";

/** A tablet in the hall comes in by a code from this screen, and sees the floor and the wall of this class alone. */
function HallTablet() {
  const fetcher = useFetcher<typeof action>();
  const made = fetcher.data?.kind === "tablet" ? fetcher.data : null;
  return (
    <Box component="section" aria-label="Hall tablet" sx={{ px: { xs: 2, sm: 3 }, pb: 4, maxWidth: 680 }}>
      <Typography variant="h2">Hall tablet</Typography>
      <Typography sx={{ mt: 0.5, color: "text.secondary", mb: "1em" }}>
        A tablet on the bench scans a code and runs this class: floor and wall, and nothing else of the school. A code
        is good once, for a quarter of an hour; the tablet is signed out after the evening.
      </Typography>
      {made && (
        <>
          <QrSvg qr={made.qr} label="Code for the hall tablet" width={220} />
          <Typography sx={{ my: "1em", overflowWrap: "anywhere" }}>
            <a href={made.address}>{made.address}</a>
          </Typography>
        </>
      )}
      <fetcher.Form method="post">
        <Button type="submit" name="intent" value="tablet" variant="outlined" disabled={fetcher.state !== "idle"}>
          {made ? "Another code" : "Make a code"}
        </Button>
      </fetcher.Form>
    </Box>
  );
}

/** A device that warns of this machine does not know its authority yet. */
const Trust = ({ address, qr }: { readonly address: string; readonly qr: QrCode }) => (
  <Box component="section" aria-label="Trust" sx={{ px: { xs: 2, sm: 3 }, pb: 4, maxWidth: 680 }}>
    <Typography variant="h2">A device that warns</Typography>
    <Typography sx={{ mt: 0.5, color: "text.secondary", mb: "1em" }}>
      It does not know the authority that this machine has made for itself. Scan this once, go past the warning, and
      install the certificate: on a tablet under its settings for security, as a certificate authority. From then on it
      does not warn.
    </Typography>
    <QrSvg qr={qr} label="Code of the certificate" width={180} />
    <Typography sx={{ my: "1em", overflowWrap: "anywhere" }}>
      <a href={address}>{address}</a>
    </Typography>
  </Box>
);

export function PhonesScreen({
  lesson,
  link,
  wall,
  trust,
}: {
  readonly lesson: { readonly id: string; readonly title: string };
  readonly link: PhoneLink | null;
  readonly wall: PhoneLink | null;
  /** Where a device gets the certificate of this machine; null where the network does not come in. */
  readonly trust: { readonly address: string; readonly qr: QrCode } | null;
}) {
  const timeZone = useZone();
  const fetcher = useFetcher<typeof action>();
  const act = (intent: "new" | "end", label: string, variant: "contained" | "outlined") => (
    <fetcher.Form method="post">
      <input type="hidden" name="names" value="yes" />
      <Button type="submit" name="intent" value={intent} variant={variant} disabled={fetcher.state !== "idle"}>
        {label}
      </Button>
    </fetcher.Form>
  );
  return (
    <>
      <ScreenHead
        title={`Phones: ${lesson.title}`}
        lead="Whoever has the link sees the rounds of this class by first names, read only, without signing in. It ends by itself after a day."
      >
        <Button variant="outlined" component={Link} to={`/class/${lesson.id}/plan`}>
          Back to the plan
        </Button>
        {link && act("end", "End the link", "outlined")}
        {act("new", link ? "New link, end this one" : "Make a link", "contained")}
      </ScreenHead>
      {fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>}
      {!link && (
        <Box sx={{ px: { xs: 2, sm: 3 }, color: "text.secondary" }}>
          There is no link now. Once there is one, its code stands here, on the sheet and on the wall.
        </Box>
      )}
      {link && (
        <Box sx={{ px: { xs: 2, sm: 3 }, pb: 4 }}>
          <QrSvg qr={link.qr} label="Code of the link" width={260} />
          <Typography sx={{ my: "1em", overflowWrap: "anywhere" }}>
            <a href={link.address}>{link.address}</a>
          </Typography>
          <CopyButton label="Copy the address" text={link.address} />
          <Typography sx={{ my: "1em", color: "text.secondary" }}>
            It ends on{" "}
            {new Date(link.until).toLocaleString("en-GB", { dateStyle: "long", timeStyle: "short", timeZone })}.
          </Typography>
        </Box>
      )}
      <ShareBox
        title="The wall, from outside"
        lead="All rounds in large letters, for a screen that does not sign in; read only, without names unless you choose them."
        fields={{ share: "wall" }}
        link={wall}
        make="Link to the wall"
        mayName
      />
      <HallTablet />
      {trust && <Trust {...trust} />}
      {link?.isHereOnly && <OnlyHere />}
    </>
  );
}
