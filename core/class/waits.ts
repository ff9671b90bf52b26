/** What stands behind somebody whose partner sits out, on every screen, until the rest is planned again. */
export const WAITS = "Wait for the instructor";
