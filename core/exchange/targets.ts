/** Targets that are none in a class, with what to train on instead. */
import { byHeight } from "./blow.ts";
import { PARTS } from "../body/parts.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import type { MoveUse } from "../read/types.ts";
import type { Row } from "../score/types.ts";
import { partNamed } from "../words/part-names.ts";

/** A target that is none in a class; the repair writes the training target instead. */
export function unsafeTarget(use: MoveUse, row: Row): FindingDraft | null {
  const { attack } = use.move;
  if (!attack) return null;
  const name = use.target?.part ?? partNamed(byHeight(attack.target, use.height));
  if (!name) return null;
  const data: { readonly trainOn?: string } = PARTS[name];
  if (!data.trainOn || (name === "knee" && !use.move.limb.endsWith("leg")) || (name === "neck" && use.target === null))
    return null;
  return draft(row, use, "unsafe-target", { part: name, instead: data.trainOn, move: use.text });
}
