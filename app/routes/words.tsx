import type { Route } from "./+types/words.ts";
import { WordsScreen } from "../words/words-screen.tsx";

export const meta: Route.MetaFunction = () => [{ title: "Words · Vicissor" }];

export default function Words() {
  return <WordsScreen />;
}
