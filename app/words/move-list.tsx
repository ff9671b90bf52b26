/** The moves that were found, by kind, and what is meant by words that no name holds. */
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { styled } from "@mui/material/styles";
import { useMemo } from "react";
import { Link } from "react-router";
import { ForTeachers } from "../ui/role.tsx";
import { useAnswer } from "../workers/use-answer.ts";
import type { MoveCard } from "../workers/words-work.ts";

/** No kind is chosen. */
export const ALL = "all";

const Entry = styled(Link)(({ theme }) => ({
  display: "block",
  padding: "6px 24px",
  color: theme.vars?.palette.text.primary,
  textDecoration: "none",
  borderLeft: "3px solid transparent",
  "&:hover": { background: theme.vars?.palette.background.paper },
  "&[aria-current=true]": {
    background: theme.vars?.palette.background.paper,
    borderLeftColor: theme.vars?.palette.primary.main,
    fontWeight: 700,
  },
  [theme.breakpoints.down("sm")]: { paddingInline: 16 },
}));

interface ListProps {
  readonly shown: readonly MoveCard[];
  /** All of them, for what is meant by words that no name holds. */
  readonly cards: readonly MoveCard[];
  readonly asked: string | null;
  readonly query: string;
  readonly to: (id: string) => string;
}

/** The moves that were found, by kind. */
export function MoveList({ shown, cards, asked, query, to }: ListProps) {
  return (
    <Box component="nav" aria-label="Moves" sx={{ maxHeight: { md: "calc(100vh - 250px)" }, overflow: "auto" }}>
      {shown.map((card, i) => (
        <Box key={card.id}>
          {card.data.group !== shown[i - 1]?.data.group && (
            <Typography
              variant="h3"
              component="h2"
              sx={{ color: "text.secondary", px: { xs: 2, sm: 3 }, pt: 1.5, pb: 0.5 }}
            >
              {card.data.group}
            </Typography>
          )}
          <MoveEntry card={card} asked={asked} to={to} />
        </Box>
      ))}
      {shown.length === 0 && <Meant query={query} cards={cards} asked={asked} to={to} />}
    </Box>
  );
}

/** One move in the list, with its other names. */
const MoveEntry = ({ card, asked, to }: { readonly card: MoveCard } & Pick<ListProps, "asked" | "to">) => (
  <Entry to={to(card.id)} replace preventScrollReset aria-current={card.id === asked || undefined}>
    {card.shown}
    {card.own && (
      <Box component="span" sx={{ color: "text.secondary", fontWeight: 400 }}>
        {" "}
        · our own
      </Box>
    )}
    <Box component="span" sx={{ color: "text.secondary", fontWeight: 400, display: "block", fontSize: "0.9rem" }}>
      {otherNames(card).slice(0, 3).join(", ")}
    </Box>
  </Entry>
);

/** What somebody means whose words no name holds: the moves, what is written instead, or the way to a move of their own. */
function Meant({ query, cards, asked, to }: Omit<ListProps, "shown">) {
  const payload = useMemo(() => ({ typed: query }), [query]);
  const { answer } = useAnswer("lookUp", payload);
  const meant = answer?.ids.flatMap((id) => cards.filter((card) => card.id === id)) ?? [];
  return (
    <>
      {meant.length > 0 && (
        <Typography sx={{ px: { xs: 2, sm: 3 }, pt: 1, pb: 0.5, color: "text.secondary" }}>Did you mean</Typography>
      )}
      {meant.map((card) => (
        <MoveEntry key={card.id} {...{ card, asked, to }} />
      ))}
      <Typography sx={{ px: { xs: 2, sm: 3 }, py: 2, color: "text.secondary" }}>
        {answer?.instead ?? (
          <>
            No move has a name like this in any tradition. Try fewer letters
            <ForTeachers>
              , or <Link to={`/moves/new?name=${encodeURIComponent(query)}`}>add it as your own</Link>
            </ForTeachers>
            .
          </>
        )}
      </Typography>
    </>
  );
}

const otherNames = (card: MoveCard): string[] =>
  Object.values(card.data.names)
    .flat()
    .filter((name) => name !== card.shown);

/** Every word has to be in a name, the kind or the limb; names that begin with what is typed come first. */
export function search(cards: readonly MoveCard[], query: string, group: string): MoveCard[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  const of = cards.filter((c) => group === ALL || c.data.group === group);
  if (words.length === 0) return of;
  const found = of.flatMap((card) => {
    const names = Object.values(card.data.names)
      .flat()
      .map((n) => n.toLowerCase());
    const text = `${names.join(" ")} ${card.data.group} ${card.data.limb}`;
    if (!words.every((w) => text.includes(w))) return [];
    const whole = query.trim().toLowerCase();
    return [{ card, rank: names.some((n) => n.startsWith(whole)) ? 0 : 1 }];
  });
  return found.sort((a, b) => a.rank - b.rank).map((f) => f.card);
}
