/** What makes a drill hard: the weight of each part of the load. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Slider from "@mui/material/Slider";
import Stack from "@mui/material/Stack";
import Typography from "@mui/material/Typography";
import { LOAD_PARTS, LOAD_WEIGHTS, loadUnit, type LoadWeights } from "#core/customs/load-parts.ts";
import { MOST_WEIGHT } from "#core/policy/settings.ts";
import { Row, Rows } from "../ui/rows.tsx";

export function Weights({
  load,
  onChange,
}: {
  load: Partial<LoadWeights>;
  onChange: (load: Partial<LoadWeights>) => void;
}) {
  return (
    <Box component="section" aria-label="What makes a drill hard" sx={{ pt: 3 }}>
      <Stack direction="row" spacing={2} sx={{ alignItems: "center" }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          What makes a drill hard?
        </Typography>
        {Object.keys(load).length > 0 && (
          <Button size="small" variant="outlined" onClick={() => onChange({})}>
            Back to the default
          </Button>
        )}
      </Stack>
      <Rows>
        {LOAD_PARTS.map((part) => {
          const value = load[part] ?? LOAD_WEIGHTS[part];
          return (
            <Row
              key={part}
              sx={{
                display: "grid",
                gridTemplateColumns: { xs: "1fr 48px", sm: "120px minmax(120px,1fr) 200px 48px" },
                columnGap: 2,
                alignItems: "center",
                py: 0.5,
              }}
            >
              <Box sx={{ fontWeight: 700 }}>{part}</Box>
              <Box
                sx={{
                  color: "text.secondary",
                  gridRow: { xs: 2, sm: "auto" },
                  gridColumn: { xs: "1 / -1", sm: "auto" },
                }}
              >
                {loadUnit(part)}
              </Box>
              <Slider
                size="small"
                min={0}
                max={MOST_WEIGHT}
                step={0.1}
                value={value}
                aria-label={`Weight of ${part}`}
                onChange={(_, next) => onChange({ ...load, [part]: next as number })}
                sx={{ gridRow: { xs: 3, sm: "auto" }, gridColumn: { xs: "1 / -1", sm: "auto" } }}
              />
              <Box
                sx={{
                  textAlign: "right",
                  fontVariantNumeric: "tabular-nums",
                  gridRow: { xs: 1, sm: "auto" },
                  gridColumn: { xs: 2, sm: "auto" },
                }}
              >
                {value.toFixed(1)}
              </Box>
            </Row>
          );
        })}
      </Rows>
    </Box>
  );
}
