/** Cells of a table that others open in a spreadsheet. */

/**
 * A cell that a spreadsheet would take for a formula: it begins with one of these signs, full-width ones and blanks before
 * them included. It is written with an apostrophe before it. OWASP, CSV Injection.
 */
export const FORMULA = /^\s*[=+\-@\t\r\uFF1D\uFF0B\uFF0D\uFF20]/;

/** The apostrophe of such a cell taken off again. */
export const plainCell = (text: string): string => {
  const cell = text.trim();
  return cell.startsWith("'") && FORMULA.test(cell.slice(1)) ? cell.slice(1).trim() : cell;
};
