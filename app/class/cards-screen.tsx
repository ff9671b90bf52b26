/** Cards to hand out: each pair with its drill drawn for its own bodies, and the calls of the evening. */
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useEffect, useMemo, useState } from "react";
import type { PlanPage } from "#server/views.ts";
import { stoppedShort } from "#core/class/contact-free.ts";
import { smallCards, type SmallCard } from "../paper/small-cards.ts";
import { SvgPages } from "../paper/svg-pages.tsx";
import { Notice, WordChoice } from "../ui/parts.tsx";
import { useWayBack } from "../ui/role.tsx";
import { ask } from "../workers/client.ts";
import { bodiesOf, callCard, isCalled, pairCard, roundsAhead, seedOf } from "./evening-cards.ts";

type Kind = "pairs" | "calls";
const KINDS = [
  { value: "pairs", label: "Pair cards" },
  { value: "calls", label: "Call cards" },
] as const;
const ALL = -1;

export function CardsScreen({ page }: { page: PlanPage }) {
  const { lesson, kept } = page;
  const plan = kept?.plan ?? null;
  const ahead = useMemo(() => (plan ? roundsAhead(plan) : []), [plan]);
  const [kind, setKind] = useState<Kind>("pairs");
  const [round, setRound] = useState(ahead[0] ?? ALL);
  const [cards, setCards] = useState<readonly SmallCard[] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    let alive = true;
    setCards(null);
    setTrouble(null);
    const rounds = round === ALL ? ahead : [round];
    cardsOf(page, kind, rounds).then(
      (made) => alive && setCards(made),
      (e: Error) => alive && setTrouble(e.message),
    );
    return () => {
      alive = false;
    };
  }, [page, kind, round, ahead]);
  const back = useWayBack(lesson.id);
  const pages = useMemo(() => cards && smallCards(cards), [cards]);
  return (
    <>
      <SvgPages
        title={`${kind === "pairs" ? "Pair cards" : "Call cards"}: ${lesson.title}`}
        pages={pages}
        back={back}
        trouble={trouble}
      >
        {plan && (
          <>
            <WordChoice label="Which cards" options={KINDS} value={kind} onChange={setKind} />
            <TextField
              select
              label="Round"
              value={round}
              onChange={(event) => setRound(Number(event.target.value))}
              sx={{ minWidth: 170 }}
            >
              {plan.rounds.map((r, i) => (
                <MenuItem key={i} value={i}>
                  {i + 1}
                  {r.done ? " (done)" : ""}
                </MenuItem>
              ))}
              <MenuItem value={ALL}>all that are ahead</MenuItem>
            </TextField>
          </>
        )}
      </SvgPages>
      {!plan && <Notice>This class has no plan yet: make it on the class’s page first.</Notice>}
      {plan && cards?.length === 0 && (
        <Notice>
          {kind === "calls"
            ? "Nothing is called or chosen in this round. Choose another round, or a rung in which the feeder or the coach chooses."
            : "Nobody works in this round."}
        </Notice>
      )}
    </>
  );
}

async function cardsOf(page: PlanPage, kind: Kind, rounds: readonly number[]): Promise<SmallCard[]> {
  const { lesson, kept, rungs, words, people, names } = page;
  if (!kept) return [];
  const { plan, clock } = kept;
  const nameOf = (id: string) => names[id] ?? "Former member";
  const made = rounds.map(async (round): Promise<(SmallCard | null)[]> => {
    const { pairs, block } = plan.rounds[round]!;
    if (kind === "calls") {
      const rung = plan.blocks.find((b) => b.id === block)?.rung ?? null;
      const text = rung === null ? "" : (rungs[rung]?.text ?? "");
      if (!isCalled(text)) return [];
      return [callCard(plan, round, await ask("check", { text }), clock, seedOf(lesson.id, round))];
    }
    return Promise.all(
      pairs.map(async (pair) => {
        const rung = rungs[pair.rung];
        const given = (text: string) => (pair.form ? stoppedShort(text) : text);
        const view = await ask("check", { text: given(rung?.text ?? ""), bodies: bodiesOf(pair, people) });
        const theirs = pair.back === undefined ? undefined : rungs[pair.back];
        const back = theirs && {
          title: theirs.title,
          view: await ask("check", {
            text: given(theirs.text),
            bodies: bodiesOf({ ...pair, a: pair.b, b: pair.a }, people),
          }),
        };
        return pairCard({ plan, round, pair, rung, words: words[pair.rung], clock, view, back: back ?? null, nameOf });
      }),
    );
  });
  return (await Promise.all(made)).flat().filter((card) => card !== null);
}
