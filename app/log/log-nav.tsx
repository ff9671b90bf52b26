/** The parts of the log. */
import { PartsNav } from "../ui/parts-nav.tsx";

const PARTS = [
  ["/log", "Round by round"],
  ["/log/weeks", "Over the weeks"],
  ["/log/due", "What is due"],
] as const;

export const LogNav = () => <PartsNav label="Parts of the log" parts={PARTS} />;
