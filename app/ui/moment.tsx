/** A moment as the clock of the device shows it; the server may be in another time zone. */
export const Moment = ({ at }: { readonly at: string }) => (
  <time dateTime={at} style={{ whiteSpace: "nowrap" }} suppressHydrationWarning>
    {new Date(at).toLocaleString("en-GB", {
      day: "numeric",
      month: "short",
      year: "numeric",
      hour: "2-digit",
      minute: "2-digit",
    })}
  </time>
);
