/** Links to a drill, its card and its ladders, for people who do not sign in. */
import Button from "@mui/material/Button";
import { Link } from "react-router";
import type { PhoneLink } from "#server/views.ts";
import { Notice, ScreenHead } from "../ui/parts.tsx";
import { OnlyHere, ShareBox } from "./share-box.tsx";

/** How long a link may live. */
export const SHARE_HOURS = [
  [7 * 24, "a week"],
  [24, "a day"],
  [30 * 24, "a month"],
  [365 * 24, "a year"],
] as const;

interface ShareProps {
  readonly id: string;
  readonly title: string;
  /** The checker finds problems in it. */
  readonly isBroken: boolean;
  readonly drill: PhoneLink | null;
  readonly card: PhoneLink | null;
  readonly ladders: readonly { readonly id: string; readonly title: string; readonly link: PhoneLink | null }[];
}

export function ShareScreen({ id, title, isBroken, drill, card, ladders }: ShareProps) {
  const links = [drill, card, ...ladders.map(({ link }) => link)].filter((link) => link !== null);
  return (
    <>
      <ScreenHead
        title={`Share ${title}`}
        lead="Whoever has a link reads, without signing in and without names, until it ends or is taken back."
      >
        <Button variant="outlined" component={Link} to={`/drills/${id}`}>
          Back to the drill
        </Button>
      </ScreenHead>
      {isBroken && (
        <Notice tone="trouble">
          This drill has problems to mend. Whoever opens a link to it now is told that it is not finished.
        </Notice>
      )}
      <ShareBox
        title="The drill"
        lead="What is played, in words, what to think of, and its score."
        fields={{ share: "drill" }}
        link={drill}
        make="Link to the drill"
        lasts={SHARE_HOURS}
      />
      <ShareBox
        title="Its card"
        lead="The same without the score, as on paper."
        fields={{ share: "card" }}
        link={card}
        make="Link to the card"
        lasts={SHARE_HOURS}
      />
      {ladders.map((ladder) => (
        <ShareBox
          key={ladder.id}
          title={`Ladder: ${ladder.title}`}
          lead="All rungs from the easiest up, with what is new in each."
          fields={{ share: "ladder", ladder: ladder.id }}
          link={ladder.link}
          make="Link to the ladder"
          lasts={SHARE_HOURS}
        />
      ))}
      {links.some(({ isHereOnly }) => isHereOnly) && <OnlyHere />}
    </>
  );
}
