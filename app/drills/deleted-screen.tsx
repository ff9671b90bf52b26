/** What was deleted, each with its way back. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Link, useFetcher } from "react-router";
import { shortDate } from "../ui/dates.ts";
import { Notice, ScreenHead } from "../ui/parts.tsx";
import { Row, Rows } from "../ui/rows.tsx";

interface DeletedThing {
  readonly id: string;
  readonly kind: "drill" | "class";
  readonly title: string;
  readonly deleted_at: string;
}

const ACTIONS = { drill: "/?index", class: "/term" } as const;

export function DeletedScreen({ deleted }: { readonly deleted: readonly DeletedThing[] }) {
  return (
    <>
      <ScreenHead
        title="Deleted"
        lead={
          <>
            Drills and classes that were deleted, the last one first. People who left stand under{" "}
            <Link to="/people">People</Link>, Archived; moves of your own under <Link to="/moves">Moves</Link>.
          </>
        }
      />
      {deleted.length === 0 ? (
        <Box sx={{ px: { xs: 2, sm: 3 }, py: 2, color: "text.secondary" }}>Nothing is deleted.</Box>
      ) : (
        <Rows aria-label="Deleted" sx={{ px: { xs: 2, sm: 3 }, pb: 4, maxWidth: 720 }}>
          {deleted.map((thing) => (
            <Thing key={thing.id} thing={thing} />
          ))}
        </Rows>
      )}
    </>
  );
}

function Thing({ thing: { id, kind, title, deleted_at } }: { readonly thing: DeletedThing }) {
  const fetcher = useFetcher<{ readonly message?: string }>();
  return (
    <Row sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 2, py: 0.5 }}>
      <Box sx={{ flex: 1, minWidth: 180 }}>
        {title}{" "}
        <Box component="span" sx={{ color: "text.secondary" }}>
          {kind}
        </Box>
      </Box>
      <Box sx={{ color: "text.secondary" }}>{shortDate(deleted_at)}</Box>
      <fetcher.Form method="post" action={ACTIONS[kind]}>
        <input type="hidden" name="id" value={id} />
        <input type="hidden" name="ids" value={id} />
        <input type="hidden" name="title" value={title} />
        <Button
          size="small"
          variant="outlined"
          type="submit"
          name="intent"
          value="restore"
          disabled={fetcher.state !== "idle"}
          aria-label={`Restore ${title}`}
        >
          Restore
        </Button>
      </fetcher.Form>
      {fetcher.data?.message && <Notice tone="trouble">{fetcher.data.message}</Notice>}
    </Row>
  );
}
