/** Evasions and footwork: displacements in metres for a body of 1.75 m. Common practice, no source. */
import { defineMoves } from "../define.ts";

const feet = (forward: number, back = 0, side = 0) => ({ by: "displace", feet: { forward, back, side } }) as const;

export const footwork = defineMoves(
  { group: "footwork", roles: ["answer", "setup"], limb: "body", sides: "way", move: 350 },
  [
    { id: "step", names: { english: ["step"] }, answer: [{ ...feet(0.45, 0.45, 0.35), way: "word" }, { by: "energy", goes: "with", keeps: true }], coaching: ["The foot nearest the way goes first.", "As wide after as before."], faults: ["Crosses the feet.", "Hops."] },
    { id: "triangle-step", names: { english: ["triangle step"], filipino: ["triangulo"] }, answer: [{ ...feet(0.32, 0, 0.32), way: "evade" }], coaching: ["To one corner, the other foot follows.", "Face him again at the end."], faults: ["Steps straight back to the start.", "Feet together."] },
    { id: "tap-back", names: { english: ["tap back"] }, answer: [{ ...feet(0, 0.3), way: "word" }], move: 300, coaching: ["Out and at once in again.", "Stay on the balls of the feet."], faults: ["Falls back on the heels.", "Stays out."] },
    { id: "step-back", names: { english: ["step back", "slide back"] }, answer: [{ ...feet(0, 0.45), way: "word" }, { by: "energy", goes: [0, 0, -1], keeps: true }], coaching: ["Rear foot first, front foot follows.", "Once, not three times."], faults: ["Backs straight up again and again.", "Leans back."] },
    { id: "step-off", names: { english: ["step off", "angle off", "side step"] }, answer: [{ ...feet(0.32, 0, 0.32), way: "evade" }], coaching: ["Forward at forty-five degrees, past the blow.", "Turn to face him."], faults: ["Steps sideways into the other hand.", "Leaves the head behind."] },
    { id: "rock-step", names: { english: ["rock step"] }, answer: [{ ...feet(0, 0.2), way: "word" }], move: 280, coaching: ["Weight back, then forward: the pivot follows at forty-five degrees.", "The front foot stays light."], faults: ["Leans instead of stepping.", "Stops between the two."] },
    { id: "pivot", names: { english: ["pivot"] }, answer: [{ by: "displace", side: { head: 0.24, chest: 0.24, belly: 0.24, hips: 0.22, legs: 0.15 }, turn: 45, way: "evade" }], move: 300, coaching: ["On the ball of the lead foot.", "Rear foot swings round last."], faults: ["Turns on the heel.", "Turns the head first."] },
    { id: "circle", names: { english: ["circle", "circle away"] }, answer: [{ ...feet(0, 0.1, 0.35), way: "evade" }], move: 400, coaching: ["Away from his stronger hand.", "Small steps, stance kept."], faults: ["Circles into the rear hand.", "Crosses the feet."] },
    { id: "retreat", names: { english: ["retreat"] }, answer: [{ ...feet(0, 0.6), way: "word" }], move: 450, coaching: ["Two quick steps and an angle.", "Guard high."], faults: ["Runs.", "Straight back to the wall."] },
    { id: "advance", names: { english: ["advance", "close"] }, roles: ["setup"], answer: [{ ...feet(0.3), way: "word" }], coaching: ["Lead foot first, short.", "Ready to stop."], faults: ["Reaches with the head.", "Feet come together."] },
    { id: "switch-stance", names: { english: ["switch stance", "switch"] }, roles: ["setup"], changes: "stance", coaching: ["Both feet at once, low.", "Hands change with the feet."], faults: ["Jumps.", "Feet end on one line."] },
    { id: "jump-back", names: { english: ["jump back"] }, answer: [{ ...feet(0, 0.7), way: "word" }], move: 400, coaching: ["Off both feet, land in stance.", "Hands up all the way."], faults: ["Lands with feet together.", "Hangs in the air."] },
  ],
);

export const evasions = defineMoves(
  { group: "evasion", roles: ["answer", "setup"], limb: "body", sides: "way", move: 200 },
  [
    { id: "slip", names: { english: ["slip"] }, move: 180, answer: [{ by: "displace", side: { head: 0.18, chest: 0.09, hips: 0.03 }, way: "evade" }], coaching: ["The head goes just off the line, no further.", "Turn at the hips, eyes on him."], faults: ["Moves the head further than needed.", "Slips to the side of the other hand."] },
    { id: "duck", names: { english: ["duck"] }, move: 300, answer: [{ by: "displace", drop: { head: 0.3, chest: 0.255, belly: 0.18, hips: 0.15 } }], coaching: ["Bend the knees, back upright.", "Eyes up, hands up."], faults: ["Bends at the waist.", "Drops into an uppercut."] },
    { id: "weave", names: { english: ["weave", "bob and weave", "roll under"] }, move: 300, answer: [{ by: "displace", drop: { head: 0.3, chest: 0.255, belly: 0.18, hips: 0.15 }, side: { head: 0.3, chest: 0.25, belly: 0.18, hips: 0.15 }, way: "weave" }], coaching: ["Under the arm and up on the side it came from.", "Small U with the knees."], faults: ["Weaves with the blow.", "Looks down."] },
    { id: "lean-back", names: { english: ["lean back", "pull back"] }, move: 200, answer: [{ by: "displace", back: { head: 0.2, chest: 0.12, belly: 0.03 } }], coaching: ["Weight onto the rear leg.", "Back at once, with a blow."], faults: ["Leans twice.", "Chin up, hands down."] },
    { id: "pull-leg", names: { english: ["pull leg", "leg pull", "pull the leg"] }, move: 300, answer: [{ by: "displace", leg: 0.45 }], coaching: ["The leg goes back, the hands stay.", "Land ready to kick."], faults: ["Pulls the body too.", "Leaves the weight on it."] },
    { id: "hollow", names: { english: ["hollow", "hollow out"] }, move: 200, answer: [{ by: "displace", back: { belly: 0.18, hips: 0.15, head: -0.05 } }], coaching: ["Belly back, arms forward.", "Feet stay where they are."], faults: ["Head comes down.", "Drops the hands to the belly."] },
    { id: "level-change", names: { english: ["level change", "change level"] }, move: 250, goesDown: true, answer: [{ by: "displace", drop: { head: 0.25, chest: 0.24, belly: 0.22, hips: 0.2 } }], coaching: ["Knees, not waist: hips lower than his.", "Head up."], faults: ["Bends over.", "Hands down."] },
    { id: "fade", names: { english: ["fade"] }, move: 320, answer: [{ by: "displace", back: { head: 0.2, chest: 0.12, belly: 0.03 }, feet: { back: 0.25 }, way: "word" }], coaching: ["Lean and step out of the weapon's reach together.", "Come back in behind it."], faults: ["Leans only.", "Goes so far that there is no return."] },
  ],
);
