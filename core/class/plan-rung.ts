/** A rung as the plan of an evening needs it, and who works on an easier or a harder one. */

/** A rung of an evening: text, title, load. */
export interface PlanRung {
  readonly text: string;
  readonly title: string;
  readonly load: number;
  /** Which of two themes of an evening it belongs to. */
  readonly theme?: 0 | 1;
  /** It was worked on earlier tonight, before the theme was changed: nobody is given it any more. */
  readonly past?: boolean;
}

/** A rung without what only screens and the log need of it. */
export const planRung = ({ text, title, load, theme, past }: PlanRung): PlanRung => ({
  ...{ text, title, load },
  ...(theme ? { theme } : {}),
  ...(past ? { past } : {}),
});

/** Levels at which somebody takes an easier or a harder rung than the class. */
const EASIER = 2;
const HARDER = 4;

/** Steps up or down the ladder for somebody of a level. */
export const stepFor = (level: number): -1 | 0 | 1 => (level <= EASIER ? -1 : level >= HARDER ? 1 : 0);
