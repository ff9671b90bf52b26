/**
 * What a link shows on a phone: who works with whom on what, round by round, by first names alone. Plain HTML without
 * script: it is small, and opens nothing else of the application.
 */
import { shortNames } from "#core/people/short-names.ts";
import { rungsOf } from "#core/class/pair-rungs.ts";
import type { PlanPage } from "../views.ts";
import { escaped, htmlPage, styled } from "./html.ts";

const page = (title: string, body: string, nonce: string): string => htmlPage(title, body, styled(nonce));

/** A day as one says it. */
const dayOf = (day: string): string =>
  new Date(`${day}T12:00:00Z`).toLocaleDateString("en-GB", { dateStyle: "full", timeZone: "UTC" });

/** How a class is shown by a link. */
interface Shows {
  /** The person whose rounds are asked for; anything else shows everybody's. */
  readonly who: string;
  /** By first names; else as pairs by their numbers. */
  readonly names: boolean;
  /** Large, to be read from across the hall. */
  readonly wall: boolean;
}

export function phonePage(plan: PlanPage, { who, names: named, wall }: Shows, nonce: string): string {
  const { lesson, kept, rungs, words, names } = plan;
  const people = named ? plan.people : [];
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
    const pairs = mine.map((pair, at) => {
      const letters = [pair.a, pair.b, pair.c].flatMap((id, place) => (id ? [`${"ABC"[place]!} ${nameOf(id)}`] : []));
      const what = rungsOf(pair).map(({ who: answers, at }) => {
        const said = words[at];
        const head = `${answers === "" ? "" : `${answers} answers: `}${escaped(rungs[at]?.title ?? "")}`;
        return said && me
          ? `${head}<div class="what">${said.play.map(({ text }) => escaped(text)).join("<br>")}</div><ul>${said.cues.map((cue) => `<li>${escaped(cue)}</li>`).join("")}</ul>`
          : head;
      });
      const whom = named ? letters.join(" &middot; ") : `Pair ${at + 1}`;
      if (pair.form) what.unshift("No contact: stop short.");
      return `<div class="pair"><strong>${whom}</strong>: ${what.join("<br>")}</div>`;
    });
    return pairs.length === 0
      ? ""
      : `<section><h2>Round ${i + 1}${round.done ? ", done" : ""}</h2>${pairs.join("")}</section>`;
  });
  const chooser = named && !wall ? `<nav aria-label="Whose rounds">${choose}</nav>` : "";
  const body = `${head}${chooser}<div${wall ? ' class="wall"' : ""}>${rounds.join("")}</div><p class="quiet">“Stop” ends everything at once; anybody may say it at any time.</p>`;
  return page(lesson.title, body, nonce);
}

/** What is shown where a link is over, was taken back, or was never one. */
export const overPage = (nonce: string): string =>
  page(
    "This link is over",
    "<h1>This link is over</h1><p>It was taken back, or its day has passed. Ask your instructor for a new one.</p>",
    nonce,
  );
