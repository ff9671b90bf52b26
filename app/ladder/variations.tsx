/** All single changes of a drill, easiest first, and on request those that do not work with the reason. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import { useMemo, useState } from "react";
import { OPERATOR_NAMES } from "#core/vary/operator-names.ts";
import { Notice } from "../ui/parts.tsx";
import { useAnswer } from "../workers/use-answer.ts";
import { RungItem } from "./rung-item.tsx";
import { Row, Rows } from "../ui/rows.tsx";

export function Variations({ text, revisionId }: { text: string; revisionId: string }) {
  const question = useMemo(() => ({ text }), [text]);
  const { answer: result, trouble } = useAnswer("vary", question);
  const [showBroken, setShowBroken] = useState(false);
  if (trouble) return <Notice tone="trouble">{trouble}</Notice>;
  if (!result) return <LinearProgress aria-label="Making variations" sx={{ m: 3 }} />;
  const most = Math.max(1, ...result.good.map((v) => v.view.load.total));
  return (
    <>
      {result.partial && <Notice>The drill has errors: what is here starts from the rows that are sound.</Notice>}
      {result.good.length === 0 && (
        <Box sx={{ px: 3, py: 4, color: "text.secondary" }}>
          No variation of this drill holds. Mend the drill at the desk first, or write a second line.
        </Box>
      )}
      <Rows ordered aria-label="Variations" sx={{ px: { xs: 2, sm: 3 }, pb: 3 }}>
        {result.good.map((v) => (
          <RungItem
            key={v.text}
            rung={v}
            name={OPERATOR_NAMES[v.operator]}
            before={{ text, view: null }}
            most={most}
            revisionId={revisionId}
          />
        ))}
      </Rows>
      {result.broken.length > 0 && (
        <Box sx={{ px: { xs: 2, sm: 3 }, pb: 5 }}>
          <Button variant="text" color="inherit" aria-expanded={showBroken} onClick={() => setShowBroken(!showBroken)}>
            {showBroken ? "Hide" : "Show"} {result.broken.length} that do not work
          </Button>
          {showBroken && (
            <Rows>
              {result.broken.map((v) => (
                <Row key={v.text} sx={{ py: 1 }}>
                  <Box sx={{ textDecoration: "line-through" }}>{v.changed}</Box>
                  <Box sx={{ color: "text.secondary" }}>
                    {v.view.findings.find((f) => f.severity === "error")?.message}
                  </Box>
                </Row>
              ))}
            </Rows>
          )}
        </Box>
      )}
    </>
  );
}
