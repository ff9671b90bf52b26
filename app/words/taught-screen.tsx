/** What this school teaches first against each class of feeds: its own order in place of the usual one. */
import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";
import { MOST_STANDARDS } from "#core/policy/settings.ts";
import {
  FEED_CLASSES,
  sampleOf,
  standardKey,
  STANDARDS,
  type OwnStandards,
  type Standard,
} from "#core/trade/standards.ts";
import { VerdictRing } from "../ui/marks.tsx";
import { OrderList } from "../ui/order-list.tsx";
import { Notice } from "../ui/parts.tsx";
import { useSettings } from "../ui/use-settings.ts";
import { ask } from "../workers/client.ts";
import type { TaughtView } from "../workers/questions/answers.ts";
import { SettingsHead } from "./settings-head.tsx";
import { SettingsNav } from "./settings-nav.tsx";

const GROUPS: readonly { readonly id: string; readonly says: string }[] = [
  { id: "hands", says: "Hands" },
  { id: "legs", says: "Legs" },
  { id: "takedowns", says: "Takedowns" },
  { id: "weapons", says: "Weapons" },
  { id: "pushes", says: "Pushes and pulls" },
  { id: "holds", says: "Holds" },
  { id: "cues", says: "Cues" },
];

/** A standard as a heading. */
function titleOf({ feed, holds, leads, tradition }: Standard): string {
  const against = holds === "nothing" ? ", bare hands" : holds ? `, with a ${holds}` : "";
  return `${FEED_CLASSES[feed].says}${against}${leads ? ", other foot in front" : ""}${tradition ? `, ${tradition[0]!.toUpperCase()}${tradition.slice(1)}` : ""}`;
}

/** The answers of a list and what else holds against the sample; null while it is looked for. */
function useTaught(key: string, answers: readonly string[]): readonly TaughtView[] | null {
  const [found, setFound] = useState<readonly TaughtView[] | null>(null);
  useEffect(() => {
    let alive = true;
    ask("taught", { key, answers }).then(
      (views) => alive && setFound(views),
      () => alive && setFound([]),
    );
    return () => {
      alive = false;
    };
    // Another order of the same list holds as much.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  return found;
}

export function TaughtScreen() {
  const { settings, version, patch, busy, result } = useSettings();
  const [own, setOwn] = useState<OwnStandards>(settings.standards ?? {});
  // What was saved, here or by somebody else, is where the next change starts.
  useEffect(() => setOwn(settings.standards ?? {}), [version]); // eslint-disable-line react-hooks/exhaustive-deps
  const [key, setKey] = useState(standardKey(STANDARDS[0]!));
  const standard = STANDARDS.find((one) => standardKey(one) === key)!;
  const dirty = JSON.stringify(own) !== JSON.stringify(settings.standards ?? {});
  const set = (answers: readonly string[] | null) => {
    const others = Object.entries(own).filter(([other]) => other !== key);
    const usual = answers === null || JSON.stringify(answers) === JSON.stringify(standard.answers);
    setOwn(Object.fromEntries(usual ? others : [...others, [key, answers]]));
  };
  return (
    <>
      <SettingsHead
        lead="Answers, repairs, variations and ladders take what is taught first from these lists; the checker decides what holds."
        dirty={dirty}
        busy={busy}
        onLeave={() => setOwn(settings.standards ?? {})}
        onSave={() => patch({ standards: own })}
      />
      <SettingsNav />
      {result && "message" in result && <Notice tone="trouble">{result.message}</Notice>}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "320px minmax(0,1fr)" },
          gap: 4,
          px: { xs: 2, sm: 3 },
          py: 2,
        }}
      >
        <TextField
          select
          label="Against"
          value={key}
          onChange={(event) => setKey(event.target.value)}
          sx={{ display: { md: "none" } }}
        >
          {STANDARDS.map((one) => (
            <MenuItem key={standardKey(one)} value={standardKey(one)}>
              {titleOf(one)}
            </MenuItem>
          ))}
        </TextField>
        <Box component="nav" aria-label="Against what" sx={{ display: { xs: "none", md: "block" } }}>
          {GROUPS.map(({ id, says }) => (
            <Box key={id} sx={{ mb: 2 }}>
              <Typography variant="h3" component="h2" sx={{ mb: 0.5 }}>
                {says}
              </Typography>
              {STANDARDS.filter((one) => FEED_CLASSES[one.feed].group === id).map((one) => (
                <Choice
                  key={standardKey(one)}
                  title={titleOf(one)}
                  own={own[standardKey(one)] !== undefined}
                  chosen={standardKey(one) === key}
                  onChoose={() => setKey(standardKey(one))}
                />
              ))}
            </Box>
          ))}
        </Box>
        <Taught key={key} standard={standard} own={own[key] ?? null} onChange={set} />
      </Box>
    </>
  );
}

interface ChoiceProps {
  readonly title: string;
  /** The school has an order of its own. */
  readonly own: boolean;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}

const Choice = ({ title, own, chosen, onChoose }: ChoiceProps) => (
  <Button
    variant="text"
    color="inherit"
    aria-current={chosen ? "true" : undefined}
    onClick={onChoose}
    sx={{
      display: "block",
      width: "100%",
      textAlign: "left",
      fontWeight: chosen ? 700 : 400,
      borderLeft: 3,
      borderRadius: 0,
      borderColor: chosen ? "primary.main" : "transparent",
      py: 0.5,
    }}
  >
    {title}
    {own && (
      <Box component="span" sx={{ color: "text.secondary", fontWeight: 400 }}>
        {" "}
        our own
      </Box>
    )}
  </Button>
);

interface TaughtProps {
  readonly standard: Standard;
  /** The school's own list, or null. */
  readonly own: readonly string[] | null;
  readonly onChange: (answers: readonly string[] | null) => void;
}

/** The list against one class, and what can be added to it. */
function Taught({ standard, own, onChange }: TaughtProps) {
  const answers = own ?? standard.answers;
  const found = useTaught(standardKey(standard), answers);
  const viewOf = (text: string) => found?.find((one) => one.text === text);
  const nameOf = (text: string) => viewOf(text)?.shown ?? text;
  const others = (found ?? []).filter(({ text, verdict }) => verdict !== null && !answers.includes(text));
  const spare = answers.filter((text) => viewOf(text)?.verdict === null);
  return (
    <Box component="section" aria-label={titleOf(standard)}>
      <Typography variant="h2">{titleOf(standard)}</Typography>
      <Box sx={{ color: "text.secondary", mb: 1.5 }}>
        {own ? "Our own order." : "The usual order."} Tried against a {sampleOf(standard).feed}, two people of one
        height.
      </Box>
      <OrderList
        label="What is taught, first to last"
        items={answers}
        nameOf={nameOf}
        onChange={onChange}
        removable
        show={(text) => (
          <Stack direction="row" spacing={1} sx={{ alignItems: "center" }}>
            {viewOf(text)?.verdict ? (
              <VerdictRing verdict={viewOf(text)!.verdict!} size={18} />
            ) : (
              <Box sx={{ width: 18 }} />
            )}
            {nameOf(text)}
          </Stack>
        )}
      />
      {spare.length > 0 && (
        <Box sx={{ color: "text.secondary", mt: 1, maxWidth: 520 }}>
          Not against this feed as it is thrown here, but where it holds: {spare.map(nameOf).join(", ")}.
        </Box>
      )}
      <Stack direction="row" spacing={2} sx={{ flexWrap: "wrap", mt: 2, maxWidth: 520 }}>
        <Autocomplete
          // Empty again behind each choice.
          key={answers.join()}
          sx={{ flex: "1 1 240px" }}
          options={others}
          getOptionLabel={({ shown }) => shown}
          loading={found === null}
          disabled={answers.length >= MOST_STANDARDS}
          onChange={(_, chosen) => chosen && onChange([...answers, chosen.text])}
          renderInput={(params) => <TextField {...params} label="Teach another answer" />}
        />
        {own && (
          <Button variant="outlined" onClick={() => onChange(null)}>
            Back to the usual order
          </Button>
        )}
      </Stack>
    </Box>
  );
}
