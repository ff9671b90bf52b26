/** How this school does it: its answers to what traditions differ on, how grave it finds what, its rulings. */
import { GRADABLE, RULES, type RuleId } from "#core/findings/rules.ts";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useEffect, useMemo, useState, type ReactNode } from "react";
import { Link } from "react-router";
import type { DrillText, VerdictChange } from "#core/policy/compare.ts";
import { type RuleSetting, type SchoolData, type SchoolCustoms, SCHOOL_CUSTOMS } from "#core/policy/settings.ts";
import type { NumberingSet } from "#core/words/numbering.ts";
import { numberingSets } from "#core/words/shipped.ts";
import { VERDICT_WORDS } from "#core/base/verdict-words.ts";
import { VerdictRing } from "../ui/marks.tsx";
import { Notice, WordChoice } from "../ui/parts.tsx";
import { useSettings } from "../ui/use-settings.ts";
import { ask } from "../workers/client.ts";
import { Backup, type BackupProps } from "./backup.tsx";
import { questions } from "./customs.ts";
import { SettingsHead } from "./settings-head.tsx";
import { StageOrder } from "./stage-order.tsx";
import { Weights } from "./weights.tsx";
import { ZoneChoice } from "./zone-choice.tsx";
import { SettingsNav } from "./settings-nav.tsx";
import { Row, Rows } from "../ui/rows.tsx";

const GRADES: readonly { value: RuleSetting; label: string }[] = [
  { value: "error", label: "breaks the drill" },
  { value: "risk", label: "a risk" },
  { value: "note", label: "a note" },
  { value: "off", label: "say nothing" },
];

/** Slipping inside is a question of its own. */
const GRADED = GRADABLE.filter((rule) => rule !== "inside-line");

const INSIDE: readonly { value: RuleSetting; label: string; follows: string }[] = [
  { value: "error", label: "Forbidden", follows: "An inside slip with nothing thrown along with it breaks a drill." },
  { value: "risk", label: "A risk", follows: "An inside slip is flagged unless something is thrown with it." },
  {
    value: "note",
    label: "Wanted",
    follows: "The other hand is mentioned as what stays open; no drill is marked for it.",
  },
];

interface SchoolProps extends BackupProps {
  readonly drills: readonly DrillText[];
  /** Whoever may take the whole school along. */
  readonly isOwner: boolean;
}

export function SchoolScreen({ drills, isOwner, backup, now }: SchoolProps) {
  const { settings, version, patch, busy, result } = useSettings();
  const [draft, setDraft] = useState<SchoolData>(settings);
  // What was saved, here or by somebody else, is where the next change starts.
  useEffect(() => setDraft(settings), [version]); // eslint-disable-line react-hooks/exhaustive-deps
  const customs: SchoolCustoms = { ...SCHOOL_CUSTOMS, ...draft.customs };
  const changes = useChanges(drills, draft, version);
  const dirty = JSON.stringify(draft) !== JSON.stringify(settings);
  const setCustoms = (part: Partial<SchoolCustoms>) => setDraft({ ...draft, customs: { ...draft.customs, ...part } });
  const inside = draft.severity?.["inside-line"] ?? RULES["inside-line"].severity;
  const grade = (rule: RuleId, setting: RuleSetting) => {
    const others = Object.entries(draft.severity ?? {}).filter(([other]) => other !== rule);
    const own = setting === RULES[rule].severity ? [] : [[rule, setting] as const];
    setDraft({ ...draft, severity: Object.fromEntries([...others, ...own]) });
  };
  return (
    <>
      <SettingsHead
        lead="Where traditions differ the school decides; this says what follows from it."
        dirty={dirty}
        busy={busy}
        onLeave={() => setDraft(settings)}
        onSave={() =>
          patch({
            customs: draft.customs ?? {},
            severity: draft.severity ?? {},
            rulings: draft.rulings ?? [],
            load: draft.load ?? {},
          })
        }
      />
      <SettingsNav />
      {result && "message" in result && <Notice tone="trouble">{result.message}</Notice>}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) 300px" },
          gap: 4,
          px: { xs: 2, sm: 3 },
          pb: 5,
        }}
      >
        <Box>
          <CustomQuestions customs={customs} numbering={draft.numbering ?? []} onChange={setCustoms} />
          <Question
            question="Is slipping inside allowed?"
            options={INSIDE}
            value={inside}
            follows={INSIDE.find((o) => o.value === inside)?.follows}
            onChange={(setting) => grade("inside-line", setting)}
          />
          <NoSetting />
          <ZoneChoice />
          <StageOrder stages={customs.stages} onChange={(stages) => setCustoms({ stages })} />
          <Weights load={draft.load ?? {}} onChange={(load) => setDraft({ ...draft, load })} />
          <HowGrave severity={draft.severity ?? {}} onGrade={grade} />
          {isOwner && <Backup backup={backup} now={now} />}
          <Rulings rulings={draft.rulings ?? []} onChange={(rulings) => setDraft({ ...draft, rulings })} />
        </Box>
        <WhatChanges heading={dirty ? changeWords(changes) : `${drills.length} drills are judged like this`}>
          {dirty && changes?.map((c) => <ChangedDrill key={c.id} change={c} />)}
        </WhatChanges>
      </Box>
    </>
  );
}

interface CustomQuestionsProps {
  readonly customs: SchoolCustoms;
  /** The school's own numbering sets. */
  readonly numbering: readonly NumberingSet[];
  readonly onChange: (part: Partial<SchoolCustoms>) => void;
}

/** What the school decides, a question each. */
function CustomQuestions({ customs, numbering, onChange }: CustomQuestionsProps) {
  const sets = useMemo(
    () => [...numberingSets.filter((s) => !numbering.some((o) => o.id === s.id)), ...numbering],
    [numbering],
  );
  return questions(sets).map((q) => (
    <Question
      key={q.key}
      question={q.question}
      options={q.options.map((o) => ({ value: String(o.value), label: o.label }))}
      value={String(customs[q.key])}
      follows={q.options.find((o) => o.value === customs[q.key])?.follows}
      onChange={(value) => {
        const option = q.options.find((o) => String(o.value) === value);
        if (option) onChange({ [q.key]: option.value });
      }}
    />
  ));
}

/** What schools ask for and no setting changes. */
const NoSetting = () => (
  <Box sx={{ py: 1.5, borderBottom: 1, borderColor: "hairline" }}>
    <Typography variant="h3" component="h2">
      Rolling the shoulder, and rolling contact cycles
    </Typography>
    <Box sx={{ color: "text.secondary" }}>
      No setting: both ways are moves and drills of their own. <Link to="/moves?q=shoulder+roll">Shoulder roll</Link>{" "}
      keeps the spare hand at home, with <Link to="/moves?q=cross+catch">cross catch</Link> it crosses over; the checker
      says what each leaves open.
    </Box>
  </Box>
);

const WhatChanges = ({ heading, children }: { readonly heading: string; readonly children: ReactNode }) => (
  <Box
    component="aside"
    aria-label="What changes in the drills"
    sx={{ pt: 2, position: { md: "sticky" }, top: 0, alignSelf: "start" }}
  >
    <Typography variant="h2" sx={{ mb: 1 }}>
      {heading}
    </Typography>
    {children}
  </Box>
);

const ChangedDrill = ({ change: c }: { readonly change: NonNullable<ReturnType<typeof useChanges>>[number] }) => (
  <Box sx={{ borderTop: 1, borderColor: "hairline", py: 1 }}>
    <Link to={`/drills/${c.id}`}>{c.title}</Link>
    <Stack direction="row" spacing={1} sx={{ alignItems: "center" }}>
      <VerdictRing verdict={c.before} size={18} word /> → <VerdictRing verdict={c.after} size={18} word />
    </Stack>
    {c.said && <Box sx={{ color: "text.secondary" }}>{c.said}</Box>}
  </Box>
);

interface QuestionProps<T extends string> {
  readonly question: string;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly value: T;
  /** What follows from the choice, in a sentence. */
  readonly follows: string | undefined;
  readonly onChange: (value: T) => void;
}

/** What traditions differ on, and how this school has it. */
const Question = <T extends string>({ question, options, value, follows, onChange }: QuestionProps<T>) => (
  <Box component="section" aria-label={question} sx={{ py: 1.5, borderBottom: 1, borderColor: "hairline" }}>
    <Typography variant="h3" component="h2">
      {question}
    </Typography>
    <WordChoice label={question} options={options} value={value} onChange={onChange} />
    <Box sx={{ color: "text.secondary" }}>{follows}</Box>
  </Box>
);

interface HowGraveProps {
  readonly severity: NonNullable<SchoolData["severity"]>;
  readonly onGrade: (rule: RuleId, setting: RuleSetting) => void;
}

function HowGrave({ severity, onGrade }: HowGraveProps) {
  return (
    <Box component="section" aria-label="How grave the school finds it" sx={{ pt: 3 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        How grave is it?
      </Typography>
      <Rows>
        {GRADED.map((rule) => (
          <Row key={rule} sx={{ display: "flex", gap: 2, alignItems: "center", py: 0.5 }}>
            <Box sx={{ flex: 1 }}>
              {RULES[rule].question}
              {severity[rule] && (
                <Box component="span" sx={{ color: "text.secondary" }}>
                  {" "}
                  · usually {GRADES.find((g) => g.value === RULES[rule].severity)?.label}
                </Box>
              )}
            </Box>
            <TextField
              select
              variant="standard"
              value={severity[rule] ?? RULES[rule].severity}
              onChange={(event) => onGrade(rule, event.target.value as RuleSetting)}
              slotProps={{ htmlInput: { "aria-label": RULES[rule].question } }}
              sx={{ width: 160 }}
            >
              {GRADES.map((g) => (
                <MenuItem key={g.value} value={g.value}>
                  {g.label}
                </MenuItem>
              ))}
            </TextField>
          </Row>
        ))}
      </Rows>
      <Box sx={{ color: "text.secondary", mt: 1 }}>
        A live blade always breaks a drill: this cannot be set otherwise.
      </Box>
    </Box>
  );
}

interface RulingsProps {
  readonly rulings: NonNullable<SchoolData["rulings"]>;
  readonly onChange: (rulings: NonNullable<SchoolData["rulings"]>) => void;
}

function Rulings({ rulings, onChange }: RulingsProps) {
  return (
    <Box component="section" aria-label="School rulings" sx={{ pt: 3 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        School rulings
      </Typography>
      {rulings.length === 0 && (
        <Box sx={{ color: "text.secondary" }}>
          None. A pair of the <Link to="/answers">answer map</Link> can be ruled otherwise there, with a reason.
        </Box>
      )}
      {rulings.map((r) => (
        <Stack
          key={`${r.feed}>${r.answer}`}
          direction="row"
          spacing={1.5}
          sx={{ alignItems: "center", borderTop: 1, borderColor: "hairline", py: 0.75 }}
        >
          <VerdictRing verdict={r.verdict} />
          <Box sx={{ flex: 1 }}>
            {r.feed} met with {r.answer} is {VERDICT_WORDS[r.verdict]}: {r.reason}
          </Box>
          <Button size="small" variant="outlined" onClick={() => onChange(rulings.filter((o) => o !== r))}>
            Remove
          </Button>
        </Stack>
      ))}
    </Box>
  );
}

/** The drills whose verdict would change; null while they are judged. */
function useChanges(drills: readonly DrillText[], draft: SchoolData, version: number) {
  const [changes, setChanges] = useState<readonly VerdictChange[] | null>(null);
  const wanted = JSON.stringify(draft);
  useEffect(() => {
    setChanges(null);
    void ask(
      "compareSchools",
      { drills, settings: JSON.parse(wanted) as unknown },
      { replaces: "compareSchools" },
    ).then(
      (found) => setChanges(found.changes),
      () => undefined,
    );
  }, [drills, wanted, version]);
  return changes;
}

/** How many verdicts the unsaved settings change; null: not known yet. */
function changeWords(changes: readonly unknown[] | null): string {
  if (changes === null) return "Judging the drills…";
  if (changes.length === 0) return "No drill’s verdict changes";
  return `${changes.length} ${changes.length === 1 ? "verdict changes" : "verdicts change"}`;
}
