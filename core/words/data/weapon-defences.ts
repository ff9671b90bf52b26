/** Stick and blade defences. Segments and boxes in shares of H; common practice, no source. */
import { defineMoves } from "../define.ts";

type Seg = readonly [number, number, number, number];
const stickAt = (segments: readonly Seg[], stands: "incoming" | "both" = "incoming") =>
  ({ by: "interpose", limb: "stick", segments, depth: 0.35, stands }) as const;
/** Upright stick at the three heights. */
const UPRIGHT = {
  by: "interpose", limb: "stick", depth: 0.35, stands: "incoming",
  segments: { high: [[0.17, 0.74, 0.17, 1.14]], mid: [[0.17, 0.5, 0.17, 0.9]], low: [[0.17, 0.45, 0.17, 0.08]] },
} as const;

export const weaponDefences = defineMoves(
  { group: "weapon defence", roles: ["answer"], limb: "weapon hand", sides: "cover", needs: "stick", move: 140 },
  [
    { id: "stick-block", names: { english: ["block", "stick block"] }, heights: ["high", "mid", "low"], answer: [UPRIGHT], coaching: ["Stick upright, strong third to the blow.", "The free hand checks behind it."], faults: ["Meets it with the tip.", "Swings at the stick."] },
    { id: "slant-block", names: { english: ["slant block"] }, answer: [stickAt([[0.19, 0.72, 0.05, 1.1]])], coaching: ["Tip down and out, so that it slides off.", "Hand above the head."], faults: ["Stick level.", "Head under the slide."] },
    { id: "roof-block", names: { english: ["roof block", "roof"], filipino: ["payong"] }, sides: "none", answer: [{ by: "interpose", limb: "stick", segments: [[0.17, 1.09, -0.2, 1.02]], depth: 0.25, stands: "incoming" }], coaching: ["Hand high, tip a little lower.", "Step under it or off."], faults: ["Stick level: it slides to the hand.", "Too close to the head."] },
    { id: "wing-block", names: { english: ["wing block"] }, answer: [stickAt([[0.2, 0.98, 0.15, 0.55]])], coaching: ["Hand high, tip down beside the body.", "Turn towards the blow."], faults: ["Elbow in the way.", "Tip behind the body."] },
    { id: "low-sweep", names: { english: ["low sweep", "sweeping block"] }, answer: [stickAt([[0.17, 0.45, 0.17, 0.08]])], coaching: ["Tip down, from the centre out.", "Knees bend, back upright."], faults: ["Bends over.", "Reaches for the stick."] },
    { id: "drop-block", names: { english: ["drop block"] }, answer: [stickAt([[0.17, 0.86, 0.17, 0.4]])], coaching: ["Drop hand and stick on the line.", "Weight sinks with it."], faults: ["Only the hand.", "Too late, on the body."] },
    { id: "braced-block", names: { english: ["braced block", "two-hand block"] }, limb: "both hands", heights: ["high", "mid", "low"], answer: [{ ...UPRIGHT, limb: "two-hand stick", double: true }], move: 160, coaching: ["Free hand behind the stick, fingers open.", "Both arms in front."], faults: ["Thumb round the stick.", "Locks the elbows."] },
    { id: "parry-stick", names: { english: ["parry stick", "stick parry"] }, answer: [{ by: "deflect", limb: "stick", push: "inward", box: [-0.3, 0.3, 0.3, 1.05], limit: 0.3 }], move: 130, coaching: ["Across, only past the body.", "Point stays towards him."], faults: ["Chases the stick.", "Point swings away."] },
    { id: "beat", names: { english: ["beat"] }, answer: [{ by: "deflect", limb: "stick", push: "inward", box: [-0.3, 0.3, 0.3, 1.05], limit: 0.26 }], move: 120, coaching: ["Sharp, on his middle third.", "Then in at once."], faults: ["Beats and waits.", "Big swing."] },
    { id: "block-n", names: { english: ["block number"] }, numbered: "block", needs: "weapon", coaching: ["The answer that belongs to the number.", "Right side first, then right height."], faults: ["Guesses the number.", "Blocks before it comes."] },
    { id: "counter-n", names: { english: ["counter"] }, roles: ["return"], numbered: "counter", needs: "weapon", coaching: ["Along the line that he left open.", "Free hand on his weapon arm."], faults: ["Counters on the same line.", "Out of reach."] },
    { id: "counter-cut", names: { english: ["counter-cut to the hand", "counter cut"] }, needs: "weapon", sides: "none", answer: [{ by: "displace", back: { head: 0.2, chest: 0.12, belly: 0.1 }, feet: { back: 0.2 }, way: "word" }, { by: "cut", limb: "stick" }], move: 260, coaching: ["Out of reach first, his hand as it passes.", "Short, back to guard."], faults: ["Stays in range.", "Looks at the hand."] },
    { id: "gunting", names: { english: ["gunting", "scissor cut"], filipino: ["gunting"] }, needs: "weapon", sides: "none", answer: [{ by: "deflect", limb: "hand", push: "inward", box: [-0.16, 0.22, 0.5, 1.0], limit: 0.2 }, { by: "cut", limb: "blade" }], move: 180, coaching: ["One hand guides, the other cuts the arm.", "Like scissors closing."], faults: ["Both hands on one side.", "Reaches."] },
    { id: "vine-disarm", names: { english: ["vine disarm", "vine"] }, roles: ["return", "setup"], limb: "off hand", sides: "none", contact: { kind: "grip", on: "weapon" }, needs: "weapon", move: 400, coaching: ["Arm winds round his stick and back.", "Only after the block has stopped it."], faults: ["Grabs a moving stick.", "Forgets the other hand."] },
    { id: "strip-disarm", names: { english: ["strip disarm"] }, roles: ["return", "setup"], limb: "off hand", sides: "none", contact: { kind: "grip", on: "weapon" }, needs: "weapon", move: 400, coaching: ["Against the thumb.", "Own stick is the lever."], faults: ["Pulls on the tip.", "Looks down."] },
  ],
);

export const weaponArm = defineMoves(
  { group: "weapon arm", roles: ["answer"], limb: "off hand", sides: "limb", move: 200 },
  [
    { id: "pass", names: { english: ["pass"] }, answer: [{ by: "pass", to: "outside", step: 0.25 }], coaching: ["Guide it past, do not stop it.", "Feet go the other way."], faults: ["Grabs the blade.", "Stands still."] },
    { id: "inside-pass", names: { english: ["inside pass"] }, answer: [{ by: "pass", to: "inside", step: 0.25 }], coaching: ["To the inside only with the other hand ready.", "Short."], faults: ["Pulls it across the own body.", "No step."] },
    { id: "outside-pass", names: { english: ["outside pass"] }, answer: [{ by: "pass", to: "outside", step: 0.25 }], coaching: ["Behind his elbow, away from his other hand.", "Step as the hand touches."], faults: ["Reaches for the wrist.", "Late step."] },
    { id: "live-hand-check", names: { english: ["live-hand check", "live hand check", "hand check"] }, roles: ["answer", "setup"], contact: { kind: "pin", on: "weapon arm", incoming: true }, requires: "step in", answer: [{ by: "jam" }], coaching: ["Flat hand on his forearm after the block.", "It stays until the counter lands."], faults: ["Grabs the stick.", "Checks too early."] },
    { id: "jam", names: { english: ["jam"] }, requires: "step in", answer: [{ by: "jam" }], move: 250, coaching: ["Inside the swing, both arms meet his forearm.", "Go before it has speed."], faults: ["Waits at the end of the stick.", "Meets the stick, not the arm."] },
  ],
);
