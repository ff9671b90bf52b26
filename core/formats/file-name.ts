/** Names of files that are kept from a screen. */

/** A file name from a title: letters, digits and hyphens. */
export const fileName = (title: string, ending: string): string =>
  `${
    title
      .normalize("NFKD")
      .replace(/[^\p{L}\p{N}]+/gu, "-")
      .replace(/^-+|-+$/g, "")
      .slice(0, 60)
      .toLowerCase() || "drill"
  }.${ending}`;
