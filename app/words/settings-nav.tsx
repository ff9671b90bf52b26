/** The parts of the Settings place. */
import { PartsNav } from "../ui/parts-nav.tsx";

const PARTS = [
  ["/settings", "How this school does it"],
  ["/settings/numbering", "Numbering"],
  ["/settings/taught", "What is taught first"],
] as const;

export const SettingsNav = () => <PartsNav label="Parts of Settings" parts={PARTS} />;
