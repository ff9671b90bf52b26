/** What was seen of the pairs of a round: one tap chooses a pair, one says what. Not seen is not clean. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Chip from "@mui/material/Chip";
import Stack from "@mui/material/Stack";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { rungsOf } from "#core/class/pair-rungs.ts";
import type { PlannedPair } from "#core/class/plan.ts";
import { roleSeconds, type RoleSeconds } from "#core/class/role-seconds.ts";
import {
  FAULT,
  FINE,
  MARK_ROLES,
  MARKS,
  markWord,
  TAKEN_OUT,
  unseenFirst,
  type Mark,
  type MarkRole,
} from "#core/floor/marks.ts";
import type { NewMark, PlanPage } from "#server/views.ts";
import { membersOf } from "../class/members.ts";
import { PartnerMark } from "../ui/marks.tsx";
import { Row, Rows } from "../ui/rows.tsx";
import type { Floor } from "./use-floor.ts";

type Kept = NonNullable<PlanPage["kept"]>;
interface MarksProps {
  readonly page: PlanPage;
  readonly kept: Kept;
  /** The round that is under way, or was last. */
  readonly round: number;
  readonly floor: Floor;
}

/** Marks the pairs of a round, and takes the last marks back. */
function useSeen({ page, kept, round, floor }: MarksProps) {
  const [last, setLast] = useState<Last | null>(null);
  const pairs = kept.plan.rounds[round]?.pairs ?? [];
  const roleTimes = timesIn(kept, round);
  const rolesOf = (id: string, pair: PlannedPair) => rolesIn(roleSeconds(pair, roleTimes)[id]);
  const revisionOf = (pair: PlannedPair, id: string) => page.rungs[rungFor(pair, id)]?.revisionId ?? null;
  const mine = floor.marks.filter((one) => one.round === round);
  const unseen = pairs.filter((pair) => !mine.some(({ person }) => membersOf(pair).some(({ id }) => id === person)));
  const made = (pair: PlannedPair, people: Parameters<See>[0], mark: string, text = "") =>
    people.map(({ id, role }) => ({
      ...{ round, person: id, role, mark, text, corrects: null },
      revision: revisionOf(pair, id),
    }));
  return {
    pairs,
    rolesOf,
    mine,
    unseen,
    last: last?.round === round ? last : null,
    see: (pair: PlannedPair, ...seen: Parameters<See>) =>
      setLast({ round, marks: floor.mark(made(pair, ...seen)), wasIn: false }),
    seeOthers: () => {
      const marks = unseen.flatMap((pair) =>
        made(
          pair,
          membersOf(pair).map(({ id }) => ({ id, role: rolesOf(id, pair)[0]! })),
          FINE,
        ),
      );
      setLast({ round, marks: floor.mark(marks), wasIn: false });
    },
    takeOut: (pair: PlannedPair, one: Mark) => {
      floor.mark([outOf(one)]);
      setLast({ round, marks: [{ ...one, revision: revisionOf(pair, one.person) }], wasIn: true });
    },
    takeBack: () => {
      if (last) floor.mark(last.marks.map((one) => (last.wasIn ? { ...one, corrects: null } : outOf(one))));
      setLast(null);
    },
  };
}

export function PairMarks(props: MarksProps) {
  const { page, round, floor } = props;
  const [open, setOpen] = useState<string | null>(null);
  const { pairs, mine, unseen, last, ...seen } = useSeen(props);
  const shown = open === null ? unseenFirst(pairs, floor.marks) : pairs;
  if (pairs.length === 0) return null;
  return (
    <Box component="section" aria-label="What you saw">
      <Stack direction="row" spacing={1} sx={{ alignItems: "center", flexWrap: "wrap" }}>
        <Typography variant="h2" sx={{ flex: "1 1 220px" }}>
          What you saw in round {round + 1}
        </Typography>
        {last && (
          <Button variant="outlined" onClick={seen.takeBack}>
            Undo: {last.marks.length === 1 ? markWord(last.marks[0]!) : `${last.marks.length} marks`}
            {last.wasIn ? " taken out" : ""}
          </Button>
        )}
        {unseen.length > 0 && (
          <Button variant="outlined" onClick={seen.seeOthers}>
            Nothing amiss: the {unseen.length} not marked
          </Button>
        )}
      </Stack>
      <Rows
        aria-label={`Pairs of round ${round + 1}`}
        sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" }, columnGap: 3 }}
      >
        {shown.map((pair) => {
          const key = `${pair.a}${pair.b}`;
          return (
            <Row key={key} sx={{ py: 0.5, gridColumn: open === key ? "1 / -1" : undefined }}>
              <Stack direction="row" spacing={1} sx={{ flexWrap: "wrap", alignItems: "center" }}>
                <PairButton
                  {...{ page, pair, floor }}
                  isOpen={open === key}
                  onPress={() => setOpen(open === key ? null : key)}
                />
                <Seen page={page} pair={pair} marks={mine} onOut={(one) => seen.takeOut(pair, one)} />
              </Stack>
              {open === key && (
                <PairOpen
                  page={page}
                  pair={pair}
                  rolesOf={(id) => seen.rolesOf(id, pair)}
                  marks={mine}
                  onSee={(...what) => {
                    seen.see(pair, ...what);
                    setOpen(null);
                  }}
                />
              )}
            </Row>
          );
        })}
      </Rows>
    </Box>
  );
}

/** The last change of the marks of a round: these came in, or were taken out. */
interface Last {
  readonly round: number;
  readonly marks: readonly NewMark[];
  readonly wasIn: boolean;
}

/** What takes a mark out. */
const outOf = (one: Mark) => ({ ...one, mark: TAKEN_OUT, text: "", corrects: one.id, revision: null });

interface PairButtonProps {
  readonly page: PlanPage;
  readonly pair: PlannedPair;
  readonly floor: Floor;
  readonly isOpen: boolean;
  readonly onPress: () => void;
}

/** A pair by its names: pressed to say what was seen. */
const PairButton = ({ page, pair, floor, isOpen, onPress }: PairButtonProps) => (
  <Button
    variant={isOpen ? "contained" : "outlined"}
    aria-expanded={isOpen}
    onClick={onPress}
    sx={{ minHeight: 52, justifyContent: "flex-start", flex: "0 1 auto", textAlign: "left" }}
  >
    {membersOf(pair).map(({ actor, id }) => (
      <Box key={actor} component="span" sx={{ display: "inline-flex", alignItems: "center", gap: 0.75, mr: 1.5 }}>
        <PartnerMark actor={actor} size={20} />
        {nameOf(page, id)}
        {floor.hurt.has(id) ? " (hurt)" : ""}
        <LimitsOf page={page} id={id} isHurt={floor.hurt.has(id)} />
      </Box>
    ))}
  </Button>
);

/** What somebody leaves out, on the devices of instructors: others are sent none. */
function LimitsOf({ page, id, isHurt }: { readonly page: PlanPage; readonly id: string; readonly isHurt: boolean }) {
  if (isHurt) return null;
  const limits = page.people.find((one) => one.id === id)?.limits ?? [];
  if (limits.length === 0) return null;
  return (
    <Box component="span" sx={{ fontSize: "0.8em", color: "verdict.risky" }}>
      {limits.map((one) => one.split(":")[0]).join(", ")}
    </Box>
  );
}

const nameOf = ({ names }: PlanPage, id: string): string => names[id] ?? "Former member";

/** Length of a round and of a role in it, s: as the plan has it. */
function timesIn({ plan, clock }: Kept, round: number) {
  const planned = plan.rounds[round];
  const own = plan.blocks.find(({ id }) => id === planned?.block)?.clock ?? clock;
  return { round: own.round, change: planned?.change ?? own.change };
}

/** The roles that somebody has in a round: only of these something can be seen. */
const rolesIn = (seconds: RoleSeconds | undefined): readonly MarkRole[] =>
  MARK_ROLES.filter((role) => (seconds?.[role] ?? 0) > 0);

const isNoted = (marks: readonly Mark[], one: Pick<Mark, "person" | "role" | "mark">): boolean =>
  marks.some(({ person, role, mark }) => person === one.person && role === one.role && mark === one.mark);

/** The rung on which somebody of a pair answers. */
function rungFor(pair: PlannedPair, id: string): number {
  const own = rungsOf(pair);
  const place = id === pair.a ? "A" : "B";
  return (own.find(({ who }) => who === place) ?? own[0]!).at;
}

function Seen({
  page,
  pair,
  marks,
  onOut,
}: {
  readonly page: PlanPage;
  readonly pair: PlannedPair;
  readonly marks: readonly Mark[];
  readonly onOut: (mark: Mark) => void;
}) {
  const ids = membersOf(pair).map(({ id }) => id);
  return (
    <>
      {marks
        .filter(({ person }) => ids.includes(person))
        .map((one) => (
          <Chip
            key={one.id}
            label={`${nameOf(page, one.person).split(" ")[0]!}: ${markWord(one)} ×`}
            onClick={() => onOut(one)}
            aria-label={`Take back: ${nameOf(page, one.person)} ${one.role}: ${markWord(one)}`}
          />
        ))}
    </>
  );
}

type See = (people: readonly { readonly id: string; readonly role: MarkRole }[], mark: string, text?: string) => void;

/** Big marks for each of a pair as answerer and as feeder, and the fault of what they train. */
function PairOpen({
  page,
  pair,
  rolesOf,
  marks,
  onSee,
}: {
  readonly page: PlanPage;
  readonly pair: PlannedPair;
  readonly rolesOf: (id: string) => readonly MarkRole[];
  readonly marks: readonly Mark[];
  readonly onSee: See;
}) {
  return (
    <Box sx={{ display: "grid", gap: 1, py: 1 }}>
      {membersOf(pair).map(({ actor, id }) => {
        const fault = page.words[rungFor(pair, id)]?.fault;
        return (
          <Box key={actor} role="group" aria-label={nameOf(page, id)}>
            <Stack direction="row" spacing={1} sx={{ alignItems: "center", fontWeight: 650 }}>
              <PartnerMark actor={actor} size={22} />
              {nameOf(page, id)}
            </Stack>
            {rolesOf(id).map((role) => (
              <Stack key={role} direction="row" spacing={1} sx={{ flexWrap: "wrap", alignItems: "center", pt: 0.75 }}>
                <Box sx={{ width: 72, color: "text.secondary" }}>{role}</Box>
                {MARKS[role].map(({ id: mark, word }) => (
                  <Button
                    key={mark}
                    // Filled is what is recorded, and nothing else.
                    variant={isNoted(marks, { person: id, role, mark }) ? "contained" : "outlined"}
                    sx={{ minHeight: 52 }}
                    onClick={() => onSee([{ id, role }], mark)}
                  >
                    {word}
                  </Button>
                ))}
                {role === "answers" && fault && (
                  <Button variant="outlined" sx={{ minHeight: 52 }} onClick={() => onSee([{ id, role }], FAULT, fault)}>
                    {fault}
                  </Button>
                )}
              </Stack>
            ))}
          </Box>
        );
      })}
    </Box>
  );
}
