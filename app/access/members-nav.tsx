/** The parts of what the owner looks after. */
import { PartsNav } from "../ui/parts-nav.tsx";

const PARTS = [
  ["/members", "Members"],
  ["/members/post", "Outgoing invitations"],
  ["/members/changes", "Who changed what"],
] as const;

export const MembersNav = () => <PartsNav label="Parts of the accounts" parts={PARTS} />;
