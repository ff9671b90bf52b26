/** What the school looks at when it pairs people: sliders that say what they mean. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Slider from "@mui/material/Slider";
import { useEffect, useState } from "react";
import { PAIR_PARTS, PAIR_WEIGHTS, weightText, type PairWeights } from "#core/policy/pair-weights.ts";
import { useSettings } from "../ui/use-settings.ts";

export function PairWeightSliders() {
  const { settings, version, patch, busy } = useSettings();
  const [draft, setDraft] = useState<Partial<PairWeights>>(settings.pairing ?? {});
  useEffect(() => setDraft(settings.pairing ?? {}), [version]); // eslint-disable-line react-hooks/exhaustive-deps
  return (
    <Box role="group" aria-label="Pairing rules" sx={{ py: 1 }}>
      {PAIR_PARTS.map((part) => {
        const { label, says, most } = weightText(part);
        const value = draft[part] ?? PAIR_WEIGHTS[part];
        return (
          <Box
            key={part}
            sx={{
              display: "grid",
              gridTemplateColumns: { xs: "1fr", md: "230px minmax(120px,220px) 1fr" },
              columnGap: 2,
              alignItems: "center",
            }}
          >
            <Box sx={{ fontWeight: 600 }}>{label}</Box>
            <Slider
              size="small"
              min={0}
              max={most}
              step={most / 40}
              value={value}
              aria-label={label}
              onChange={(_, next) => setDraft({ ...draft, [part]: next as number })}
              onChangeCommitted={(_, next) => patch({ pairing: { ...draft, [part]: next as number } })}
            />
            <Box sx={{ color: "text.secondary" }}>
              {value === 0
                ? "is not looked at"
                : part === "minorWithAdult" && value >= most
                  ? "never with an adult, unless it is agreed"
                  : `${Math.round(value)} points off ${says}`}
            </Box>
          </Box>
        );
      })}
      <Button
        size="small"
        variant="outlined"
        disabled={busy || Object.keys(draft).length === 0}
        onClick={() => patch({ pairing: {} })}
      >
        Back to the default
      </Button>
    </Box>
  );
}
