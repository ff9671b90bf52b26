import { Moment } from "./moment.tsx";
import { Notice } from "./parts.tsx";

/** What is saved is on one machine only for a while: nothing is lost, but somebody should look. */
export const Alone = ({ since }: { readonly since: string }) => (
  <Notice tone="trouble">
    Since <Moment at={since} /> what is saved is on one machine only: the second one does not answer. Tell whoever looks
    after the server.
  </Notice>
);
