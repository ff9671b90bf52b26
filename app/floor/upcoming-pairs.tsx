/** Who begins with whom: read before the first round, when there is nothing to mark yet. */
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { PlanPage } from "#server/views.ts";
import { membersOf } from "../class/members.ts";
import { PartnerMark } from "../ui/marks.tsx";
import { Row, Rows } from "../ui/rows.tsx";

interface UpcomingProps {
  readonly page: PlanPage;
  readonly kept: NonNullable<PlanPage["kept"]>;
}

export function UpcomingPairs({ page, kept }: UpcomingProps) {
  const pairs = kept.plan.rounds[0]?.pairs ?? [];
  if (pairs.length === 0) return null;
  return (
    <Box component="section" aria-label="The first pairs">
      <Typography variant="h2" sx={{ mb: 1 }}>
        Round 1: who begins with whom
      </Typography>
      <Rows sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" }, columnGap: 3 }}>
        {pairs.map((pair) => (
          <Row key={`${pair.a}${pair.b}`} sx={{ display: "flex", flexWrap: "wrap", columnGap: 2.5, py: 1 }}>
            {membersOf(pair).map(({ id, actor }) => (
              <Box key={id} component="span" sx={{ display: "inline-flex", gap: 1, alignItems: "center" }}>
                <PartnerMark actor={actor} /> {page.names[id] ?? "Former member"}
              </Box>
            ))}
            <Box sx={{ flexBasis: "100%", color: "text.secondary" }}>{page.rungs[pair.rung]?.title}</Box>
          </Row>
        ))}
      </Rows>
    </Box>
  );
}
