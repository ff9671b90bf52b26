/** All single changes of a drill, easiest first, and on request those that do not work with the reason. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import { useEffect, useState } from "react";
import { OPERATOR_NAMES } from "#core/vary/operator-names.ts";
import { Notice } from "../ui/parts.tsx";
import { ask } from "../workers/client.ts";
import type { Work } from "../workers/protocol.ts";
import { RungItem } from "./rung-item.tsx";

export function Variations({ text, revisionId }: { text: string; revisionId: string }) {
  const [result, setResult] = useState<Work["vary"]["answer"] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [showBroken, setShowBroken] = useState(false);
  useEffect(() => {
    let alive = true;
    setResult(null);
    ask("vary", { text }).then(
      (answer) => alive && setResult(answer),
      (error: Error) => alive && setTrouble(error.message),
    );
    return () => {
      alive = false;
    };
  }, [text]);
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
      <Box component="ol" aria-label="Variations" sx={{ listStyle: "none", m: 0, px: { xs: 2, sm: 3 }, pb: 3 }}>
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
      </Box>
      {result.broken.length > 0 && (
        <Box sx={{ px: { xs: 2, sm: 3 }, pb: 5 }}>
          <Button variant="text" color="inherit" aria-expanded={showBroken} onClick={() => setShowBroken(!showBroken)}>
            {showBroken ? "Hide" : "Show"} {result.broken.length} that do not work
          </Button>
          {showBroken && (
            <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
              {result.broken.map((v) => (
                <Box component="li" key={v.text} sx={{ py: 1, borderTop: 1, borderColor: "hairline" }}>
                  <Box sx={{ textDecoration: "line-through" }}>{v.changed}</Box>
                  <Box sx={{ color: "text.secondary" }}>
                    {v.view.findings.find((f) => f.severity === "error")?.message}
                  </Box>
                </Box>
              ))}
            </Box>
          )}
        </Box>
      )}
    </>
  );
}
