/** Games as tables: who may do what, which answer holds against which feed, what scores and when it ends. */
import Box from "@mui/material/Box";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import type { GameView } from "#core/formats/game-view.ts";
import { VerdictRing } from "../ui/marks.tsx";

type TableView = GameView["tables"][number];
type Cell = TableView["cells"][number][number];

/** What a cell says, in words; colour and shape say the same. */
function cellWords({ verdict, inTime, ceiling, forNothing }: Cell): string {
  if (forNothing) return "moves for nothing";
  if (verdict === "nothing") return "nothing to answer";
  if (verdict === "invalid") return "no answer";
  const slow = inTime || ceiling === null ? "" : `, up to ${ceiling}%`;
  return `${verdict === "risky" ? "risky" : "holds"}${slow}`;
}

/** All games of a drill, one under the other. */
export function GameTables({ games }: { readonly games: readonly GameView[] }) {
  return games.map((game) => <GameTable key={game.row} game={game} />);
}

function GameTable({ game }: { readonly game: GameView }) {
  return (
    <Box component="section" aria-label={`Game ${game.name}`} sx={{ mt: 2 }}>
      <Typography variant="h3">Game: {game.name}</Typography>
      {game.tables.map((table) => (
        <AnswerTable key={table.actor} table={table} feeder={game.feeder ?? "A"} />
      ))}
      <Box component="ul" sx={{ my: 1, pl: 3 }}>
        {game.says.map((row) => (
          <li key={row}>{row}</li>
        ))}
        {game.fairness && <li>{game.fairness}</li>}
      </Box>
      <Typography color="text.secondary">{game.rules.join(" ")}</Typography>
    </Box>
  );
}

function AnswerTable({ table, feeder }: { readonly table: TableView; readonly feeder: string }) {
  return (
    <Box sx={{ overflowX: "auto" }}>
      <Table size="small" sx={{ width: "auto" }}>
        <TableHead>
          <TableRow>
            <TableCell>
              {feeder} may; {table.actor} may
            </TableCell>
            {table.answers.map((answer, i) => (
              <TableCell key={i} component="th" scope="col">
                {answer}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {table.feeds.map((feed, i) => (
            <TableRow key={i}>
              <TableCell component="th" scope="row">
                {feed}
              </TableCell>
              {table.cells[i]!.map((cell, j) => (
                <TableCell key={j}>
                  <CellSign cell={cell} />
                </TableCell>
              ))}
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

function CellSign({ cell }: { readonly cell: Cell }) {
  const words = cellWords(cell);
  if (cell.verdict === "nothing" || cell.verdict === "invalid" || cell.forNothing)
    return <Typography color="text.secondary">{words}</Typography>;
  return (
    <Box component="span" sx={{ display: "inline-flex", alignItems: "center", gap: 0.75 }}>
      <VerdictRing verdict={cell.inTime ? cell.verdict : "risky"} size={16} />
      {words}
    </Box>
  );
}
