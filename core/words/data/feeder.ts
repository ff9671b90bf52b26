/** What a feeder shows, and the energies of contact drills. Common practice, no source. */
import { defineMoves } from "../define.ts";

export const cues = defineMoves(
  { group: "cue", roles: ["setup"], limb: "both hands", sides: "none" },
  [
    { id: "show-pad", names: { english: ["show pad", "flash pad"] }, needs: "pad", coaching: ["Show it late and still.", "At the true target height."], faults: ["Holds it in front, where distance is false.", "Moves it away from the blow."] },
    { id: "hold-pad", names: { english: ["hold pad", "hold pads"] }, needs: "pad", heights: ["high", "mid", "low"], sides: "limb", coaching: ["At the real target, beside the face, not before it.", "Give a little against the blow."], faults: ["Slaps at the punch.", "Too wide apart."] },
    { id: "touch-floor", names: { english: ["touch floor"] }, limb: "body", coaching: ["Bend the knees, not the back.", "Up again in guard."], faults: ["Looks at the floor.", "Stands up with the hands low."] },
    {
      id: "sweep-hook", names: { english: ["sweep hook", "pad swing"] }, roles: ["feed"], limb: "lead hand", sides: "limb",
      attack: { path: "arc", tool: "pad", target: "head", clock: 9, extension: 0.8, turn: 40, step: 0.4, minGap: 0.3, contact: 350, recover: 300, commitment: 0.4 },
      coaching: ["Swing it where the head is.", "Slow enough to be honest, fast enough to land."], faults: ["Swings over the head.", "Always on the same beat."],
    },
    { id: "walk-forward", names: { english: ["walk forward", "press forward"] }, limb: "body", coaching: ["Step at him, so that he must move.", "Keep the guard."], faults: ["Stops when he stops.", "Leans in."], answer: [{ by: "displace", feet: { forward: 0.3 }, way: "word" }] },
    { id: "open", names: { english: ["open", "drop guard"] }, opens: true, coaching: ["Drop the guard on one side as the cue.", "Bring it back at once."], faults: ["Tells it with the eyes.", "Leaves it down."] },
    { id: "call", names: { english: ["call"] }, limb: "body", coaching: ["One word, early enough.", "Loud and flat, no hint in the voice."], faults: ["Calls while the blow is out.", "Falls into a pattern."] },
  ],
);

const touch = (direction: readonly [number, number, number] | "gone", on: string, contact = 300) => ({ direction, on, contact });

export const energies = defineMoves(
  { group: "energy", roles: ["feed"], limb: "lead hand", sides: "limb", needs: "empty" },
  [
    { id: "jerk", names: { english: ["jerk"], cantonese: ["jut sao"] }, energy: touch([0, -0.5, 0.87], "forearm", 250), coaching: ["Short and sudden, from the elbow.", "Then go where he is open."], faults: ["Pulls with the shoulder.", "Telegraphs by gripping first."] },
    { id: "push", names: { english: ["push", "shove"] }, energy: touch([0, 0, -1], "centre"), coaching: ["Touch first, then push through the hip.", "Follow the push as far as he lets you."], faults: ["Slaps instead of pushing.", "Leans on him."] },
    { id: "press", names: { english: ["press"] }, energy: touch([0, 0, -1], "forearm"), coaching: ["A steady pressure to the centre.", "From the ground, not the shoulder."], faults: ["Comes and goes.", "Aims past the body."] },
    { id: "pull", names: { english: ["pull"] }, energy: touch([0, 0, 1], "wrist"), coaching: ["With the body, arm long.", "Along one line."], faults: ["Yanks with the arm.", "Steps back without taking him."] },
    { id: "lift", names: { english: ["lift"] }, energy: touch([0, 1, 0], "elbow"), coaching: ["Under the elbow, from the knees.", "Slow until it floats."], faults: ["Lifts with the shoulders.", "Opens the own ribs."] },
    { id: "sink-on", names: { english: ["sink on", "sink onto"] }, energy: touch([0, -1, 0], "forearm"), coaching: ["Let the weight hang on his arm.", "Elbows down."], faults: ["Pushes down with the hands.", "Bends forward."] },
    { id: "release", names: { english: ["release"] }, energy: touch("gone", "forearm", 250), coaching: ["Let go at once, no warning.", "Be ready for the hand that comes through."], faults: ["Fades slowly.", "Pulls away."] },
    { id: "collapse", names: { english: ["collapse"] }, energy: touch("gone", "forearm", 250), coaching: ["The arm gives in, elbow folds.", "The body stays behind it."], faults: ["Steps back at the same time.", "Drops both arms."] },
    { id: "bump", names: { english: ["bump"] }, energy: touch([0, 0, -1], "shoulder", 250), coaching: ["Short, with the body.", "Stay soft after it."], faults: ["Rams.", "Uses the head."] },
    { id: "touch", names: { english: ["touch"] }, roles: ["setup"], contact: { kind: "touch", on: "chest" }, coaching: ["Flat hand, no push yet.", "Wait until both have felt it."], faults: ["Pushes already.", "Touches and lifts off."] },
  ],
);
