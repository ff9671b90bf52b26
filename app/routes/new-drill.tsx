import { redirect } from "react-router";

/** A new drill starts from a feed on the list of drills. */
export function loader() {
  return redirect("/?new=1");
}
