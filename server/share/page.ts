/**
 * What a link shows on a phone: who works with whom on what, round by round, by first names alone. Plain HTML without
 * script: it is small, and opens nothing else of the application.
 */
import { shortNames } from "#core/people/short-names.ts";
import { rungsOf } from "#core/class/pair-rungs.ts";
import type { PlanPage } from "../views.ts";

const ESCAPES: Readonly<Record<string, string>> = {
  "&": "&amp;",
  "<": "&lt;",
  ">": "&gt;",
  '"': "&quot;",
  "'": "&#39;",
};
const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => ESCAPES[sign]!);

const STYLE = `
:root { color-scheme: light dark; font-family: system-ui, sans-serif; line-height: 1.45; }
body { margin: 0 auto; padding: 1rem; max-width: 40rem; }
h1 { font-size: 1.5rem; margin: 0 0 .25rem; }
h2 { font-size: 1.15rem; margin: 1.5rem 0 .25rem; }
ul { padding-left: 1.2rem; margin: .25rem 0; }
nav a { display: inline-block; padding: .7rem .6rem; min-height: 1.4rem; }
nav a[aria-current] { font-weight: 700; }
.what { margin: .25rem 0; font-weight: 600; }
.pair { margin: .6rem 0; }
.quiet { opacity: .75; }
`;

function page(title: string, body: string, nonce: string): string {
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><meta name="robots" content="noindex"><title>${escaped(title)}</title><style nonce="${nonce}">${STYLE}</style></head><body><main>${body}</main></body></html>`;
}

/** A day as one says it. */
const dayOf = (day: string): string =>
  new Date(`${day}T12:00:00Z`).toLocaleDateString("en-GB", { dateStyle: "full", timeZone: "UTC" });

/** `who`: the id of the person whose rounds are asked for; anything else shows everybody's. */
export function phonePage({ lesson, kept, rungs, words, names, people }: PlanPage, who: string, nonce: string): string {
  const short = shortNames(people.map(({ name }) => name));
  const nameOf = (id: string) => escaped(short(names[id] ?? "Somebody"));
  const me = people.find(({ id }) => id === who);
  const head = `<h1>${escaped(lesson.title)}</h1><p class="quiet">${escaped(dayOf(lesson.held_on))}${me ? `, ${nameOf(me.id)}` : ""}</p>`;
  if (!kept) return page(lesson.title, `${head}<p>There is no plan for this class yet.</p>`, nonce);
  const choose = people
    .map(({ id }) => `<a href="?who=${escaped(id)}"${id === me?.id ? ' aria-current="true"' : ""}>${nameOf(id)}</a>`)
    .join(" ");
  const rounds = kept.plan.rounds.map((round, i) => {
    const mine = round.pairs.filter(({ a, b, c }) => !me || [a, b, c].includes(me.id));
    const pairs = mine.map((pair) => {
      const letters = [pair.a, pair.b, pair.c].flatMap((id, place) => (id ? [`${"ABC"[place]!} ${nameOf(id)}`] : []));
      const what = rungsOf(pair).map(({ who: answers, at }) => {
        const said = words[at];
        const head = `${answers === "" ? "" : `${answers} answers: `}${escaped(rungs[at]?.title ?? "")}`;
        return said && me
          ? `${head}<div class="what">${said.play.map(({ text }) => escaped(text)).join("<br>")}</div><ul>${said.cues.map((cue) => `<li>${escaped(cue)}</li>`).join("")}</ul>`
          : head;
      });
      return `<div class="pair"><strong>${letters.join(" &middot; ")}</strong>: ${what.join("<br>")}</div>`;
    });
    return pairs.length === 0
      ? ""
      : `<section><h2>Round ${i + 1}${round.done ? ", done" : ""}</h2>${pairs.join("")}</section>`;
  });
  const body = `${head}<nav aria-label="Whose rounds">${choose}</nav>${rounds.join("")}<p class="quiet">“Stop” ends everything at once; anybody may say it at any time.</p>`;
  return page(lesson.title, body, nonce);
}

/** What is shown where a link is over, was taken back, or was never one. */
export const overPage = (nonce: string): string =>
  page(
    "This link is over",
    "<h1>This link is over</h1><p>It was taken back, or its day has passed. Ask your instructor for a new one.</p>",
    nonce,
  );
