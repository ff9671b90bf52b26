/** Somebody is hurt, comes late, or changes place: a tap for who, and one for what. */
import type { NewIncident } from "#server/views.ts";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Stack from "@mui/material/Stack";
import { useEffect, useRef, useState } from "react";
import { useFetcher } from "react-router";
import type { PlannedPair } from "#core/class/plan.ts";
import type { action } from "../routes/floor.tsx";
import { membersOf } from "../class/members.ts";
import { Notice } from "../ui/parts.tsx";

interface Somebody {
  readonly id: string;
  readonly name: string;
}
const BIG = { minHeight: 56, justifyContent: "flex-start" } as const;

/** What is done first, whatever it was. Common practice, no source; local rules and whoever gives first aid come before it. */
const FIRST: Readonly<Record<NewIncident["place"], readonly string[]>> = {
  head: [
    "Out for today. Sit them down; they are not left alone, and not sent home alone.",
    "Sick, confused, a headache that grows, drowsy: get a doctor at once.",
    "No contact, falls, rolling, jumping or kicks in any class until a doctor has said so.",
  ],
  blood: ["Stop, cover the wound, clean floor and gear, change gloves. On only when it is covered and dry."],
  other: ["Look at it with them. Back in by “Latecomer”, only if they want to and you would let them."],
};
const WORDS: Readonly<Record<NewIncident["place"], string>> = { head: "Head", blood: "Blood", other: "Something else" };

interface HurtProps {
  readonly people: readonly Somebody[];
  /** A minor, or somebody of whom nobody has said that they are of age. */
  readonly isMinor: (id: string) => boolean;
  readonly round: number | null;
  readonly onHurt: (incident: Omit<NewIncident, "id" | "at">) => void;
  readonly onClose: () => void;
}

/** Who, and what: the clocks of all devices stand by then. Going on is a press of its own. */
export function HurtDialog({ people, isMinor, round, onHurt, onClose }: HurtProps) {
  const [who, setWho] = useState<Somebody | null>(null);
  const [place, setPlace] = useState<NewIncident["place"] | null>(null);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="hurt-title">
      <DialogTitle id="hurt-title">
        {!who ? "Who is hurt?" : place ? `${who.name}: ${WORDS[place].toLowerCase()}` : `${who.name}: what is it?`}
      </DialogTitle>
      <DialogContent>
        {place && who && (
          <>
            <Notice tone="trouble">
              <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
                {FIRST[place].map((said) => (
                  <li key={said}>{said}</li>
                ))}
                {place === "head" && isMinor(who.id) && <li>Their guardian is told before they leave.</li>}
              </Box>
            </Notice>
            <Box sx={{ pt: 1 }}>
              Noted. {who.name} is in no round to come; the others are paired again. Write down what happened, who stays
              with them and who was told in the log, today. Local rules go first.
            </Box>
          </>
        )}
        {!place && (
          <Box sx={{ display: "grid", gap: 1, gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" } }}>
            {who === null
              ? people.map((one) => (
                  <Button key={one.id} variant="outlined" sx={BIG} onClick={() => setWho(one)}>
                    {one.name}
                  </Button>
                ))
              : (["head", "blood", "other"] as const).map((one) => (
                  <Button
                    key={one}
                    variant="outlined"
                    color={one === "head" ? "error" : "primary"}
                    sx={BIG}
                    onClick={() => {
                      setPlace(one);
                      onHurt({ student_id: who.id, place: one, round });
                    }}
                  >
                    {WORDS[one]}
                  </Button>
                ))}
          </Box>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{place ? "Done" : "Cancel"}</Button>
      </DialogActions>
    </Dialog>
  );
}

/** What the server asks before it does something, with a button that says yes. */
function AskedFirst({
  asked,
  busy,
  onSure,
}: {
  readonly asked: string;
  readonly busy: boolean;
  readonly onSure: () => void;
}) {
  return (
    <Notice
      tone="trouble"
      action={
        <Button variant="outlined" disabled={busy} onClick={onSure}>
          Yes, without contact
        </Button>
      }
    >
      {asked}
    </Notice>
  );
}

export function LateDialog({ away, onClose }: { readonly away: readonly Somebody[]; readonly onClose: () => void }) {
  const fetcher = useFetcher<typeof action>();
  const [who, setWho] = useState("");
  const come = (student: string, sure: "yes" | "no") => {
    setWho(student);
    void fetcher.submit({ intent: "late", student, sure }, { method: "post" });
  };
  useEffect(() => {
    if (fetcher.data?.kind === "ok") onClose();
  }, [fetcher.data, onClose]);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="late-title">
      <DialogTitle id="late-title">Who has come?</DialogTitle>
      <DialogContent>
        {fetcher.data?.kind === "asks" ? (
          <AskedFirst asked={fetcher.data.message} busy={fetcher.state !== "idle"} onSure={() => come(who, "yes")} />
        ) : (
          fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>
        )}
        <Box sx={{ pb: 1, color: "text.secondary" }}>
          They warm up alone for five minutes, and are in from the next round on.
        </Box>
        <Box sx={{ display: "grid", gap: 1, gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" } }}>
          {away.map(({ id, name }) => (
            <Button
              key={id}
              variant="outlined"
              sx={BIG}
              disabled={fetcher.state !== "idle"}
              onClick={() => come(id, "no")}
            >
              {name}
            </Button>
          ))}
          {away.length === 0 && <Box>Everybody of the school is here.</Box>}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
      </DialogActions>
    </Dialog>
  );
}

interface SwapProps {
  readonly round: number;
  readonly pairs: readonly PlannedPair[];
  readonly nameOf: (id: string) => string;
  readonly onClose: () => void;
}

/** One tap for the one, one for the other: they take each other's place in this round. */
export function SwapDialog({ round, pairs, nameOf, onClose }: SwapProps) {
  const fetcher = useFetcher<typeof action>();
  const [one, setOne] = useState<string | null>(null);
  const last = useRef({ one: "", two: "" });
  useEffect(() => {
    if (fetcher.data?.kind === "ok") onClose();
  }, [fetcher.data, onClose]);
  const tap = (who: string) => {
    if (one === null || one === who) return setOne(one === who ? null : who);
    setOne(null);
    last.current = { one, two: who };
    swap("no");
  };
  const swap = (sure: "yes" | "no") =>
    void fetcher.submit({ intent: "swap", round, ...last.current, sure }, { method: "post" });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="swap-title">
      <DialogTitle id="swap-title">Who changes places in round {round + 1}?</DialogTitle>
      <DialogContent>
        {fetcher.data?.kind === "asks" ? (
          <AskedFirst asked={fetcher.data.message} busy={fetcher.state !== "idle"} onSure={() => swap("yes")} />
        ) : (
          fetcher.data && "message" in fetcher.data && <Notice tone="trouble">{fetcher.data.message}</Notice>
        )}
        <Box role="status" sx={{ pb: 1, color: "text.secondary" }}>
          {one === null ? "Tap one of them, then the other." : `${nameOf(one)} changes with…`}
        </Box>
        <Box sx={{ display: "grid", gap: 1 }}>
          {pairs.map((pair) => (
            <Stack key={`${pair.a}${pair.b}`} direction="row" spacing={1}>
              {membersOf(pair).map(({ id }) => (
                <Button
                  key={id}
                  variant={one === id ? "contained" : "outlined"}
                  aria-pressed={one === id}
                  sx={BIG}
                  disabled={fetcher.state !== "idle"}
                  onClick={() => tap(id)}
                >
                  {nameOf(id)}
                </Button>
              ))}
            </Stack>
          ))}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
      </DialogActions>
    </Dialog>
  );
}
