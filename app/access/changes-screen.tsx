import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import { Link } from "react-router";
import { DataTable } from "../ui/data-table.tsx";
import { Moment } from "../ui/moment.tsx";
import { ScreenHead } from "../ui/parts.tsx";
import { MembersNav } from "./members-nav.tsx";
import { changeInWords } from "./change-words.ts";

interface ChangesProps {
  readonly changes: readonly {
    readonly id: string;
    readonly at: string;
    readonly who: string | null;
    readonly tablet: boolean;
    readonly place: string;
    readonly what: string;
    readonly subject: string | null;
    readonly about: string | null;
  }[];
  /** After which id older ones begin; null where there are none. */
  readonly next: string | null;
  readonly isFirst: boolean;
}

/** What is seen of an id where nothing has its name: enough to tell two apart. */
const ID_SHOWN = 8;

export const ChangesScreen = ({ changes, next, isFirst }: ChangesProps) => (
  <>
    <ScreenHead
      title="Who changed what"
      lead="Every change by place and kind, never what was typed. Rows are added and never taken away."
    />
    <MembersNav />
    <Box sx={{ px: { xs: 2, sm: 3 }, py: 2 }}>
      <DataTable
        label="Changes"
        heads={["When", "Who", "What", "About"]}
        rows={changes.map(({ id, at, who, tablet, place, what, subject, about }) => ({
          key: id,
          cells: [
            <Moment key="at" at={at} />,
            `${who ?? "Somebody who has left"}${tablet ? ", hall tablet" : ""}`,
            changeInWords(place, what),
            about ?? subject?.slice(-ID_SHOWN) ?? "",
          ],
        }))}
      />
      <Stack direction="row" spacing={1} sx={{ pt: 2 }}>
        {!isFirst && (
          <Button component={Link} to="/members/changes">
            The newest
          </Button>
        )}
        {next && (
          <Button component={Link} to={`/members/changes?before=${next}`} variant="outlined">
            Older ones
          </Button>
        )}
      </Stack>
    </Box>
  </>
);
