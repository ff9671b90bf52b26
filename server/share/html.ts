/** Plain pages without script: small, readable on any phone, and opening nothing else of the application. */

const ESCAPES: Readonly<Record<string, string>> = {
  "&": "&amp;",
  "<": "&lt;",
  ">": "&gt;",
  '"': "&quot;",
  "'": "&#39;",
};
/** Text as it stands in markup. */
export const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => ESCAPES[sign]!);

export const STYLE = `
:root { color-scheme: light dark; font-family: system-ui, sans-serif; line-height: 1.45; }
body { margin: 0 auto; padding: 1rem; max-width: 40rem; }
h1 { font-size: 1.5rem; margin: 0 0 .25rem; }
h2 { font-size: 1.15rem; margin: 1.5rem 0 .25rem; }
ul, ol { padding-left: 1.4rem; margin: .25rem 0; }
nav a { display: inline-block; padding: .7rem .6rem; min-height: 1.4rem; }
nav a[aria-current] { font-weight: 700; }
pre { white-space: pre-wrap; overflow-wrap: anywhere; padding: .75rem; border: 1px solid; border-radius: 6px; }
.what { margin: .25rem 0; font-weight: 600; }
.pair { margin: .6rem 0; }
.quiet { opacity: .75; }
.wall h2 { font-size: 2rem; } .wall .pair { font-size: 1.5rem; }
`;

/** A whole page; `head`: what else stands in its head, as a style with a nonce or a link to one. */
export function htmlPage(title: string, body: string, head: string): string {
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><meta name="robots" content="noindex"><title>${escaped(title)}</title>${head}</head><body><main>${body}</main></body></html>`;
}

/** The head of a page that brings its style along. */
export const styled = (nonce: string): string => `<style nonce="${nonce}">${STYLE}</style>`;
