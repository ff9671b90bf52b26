/** A moment as the school's clock shows it, wherever the server and the device are. */
import { useZone } from "./zone.tsx";

export function Moment({ at }: { readonly at: string }) {
  const timeZone = useZone();
  return (
    <time dateTime={at} style={{ whiteSpace: "nowrap" }} suppressHydrationWarning>
      {new Date(at).toLocaleString("en-GB", {
        day: "numeric",
        month: "short",
        year: "numeric",
        hour: "2-digit",
        minute: "2-digit",
        timeZone,
      })}
    </time>
  );
}
