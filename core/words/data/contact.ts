/** Contact drills, yielding, and the return to order. Directions [u, w, d] in the receiver's frame. Common practice, no source. */
import { defineMoves } from "../define.ts";

type Goes = readonly [number, number, number] | "turn" | "with" | "against" | "through";
const energy = (goes: Goes, keeps = true) => ({ by: "energy", goes, keeps }) as const;
const inward = { by: "deflect", limb: "hand", push: "inward", box: [-0.12, 0.2, 0.55, 1.0], limit: 0.22 } as const;
const outward = { ...inward, limb: "forearm", push: "outward" } as const;

export const contactMoves = defineMoves(
  { group: "contact", roles: ["answer", "setup"], limb: "incoming hand", sides: "limb", needs: "empty", move: 150 },
  [
    { id: "ward-off", names: { english: ["ward off"], cantonese: ["pang"] }, answer: [energy([0.8, 0.6, 0]), outward], coaching: ["Round arm, as if round a ball.", "From the back leg."], faults: ["Elbow collapses.", "Pushes."] },
    { id: "roll-back", names: { english: ["roll back"], cantonese: ["lui"] }, answer: [energy([0.6, 0, -0.8])], coaching: ["Turn the waist and lead past.", "Weight to the rear leg."], faults: ["Pulls with the arms.", "Leans away."] },
    { id: "pluck", names: { english: ["pluck"], cantonese: ["choi"] }, answer: [energy([0.3, -0.6, -0.74])], contact: { kind: "grip", on: "wrist" }, coaching: ["Short and down, then let go.", "Whole body sinks."], faults: ["Holds on.", "Uses the shoulder."] },
    { id: "split", names: { english: ["split"] }, answer: [energy([1, 0, 0])], coaching: ["Two directions at once.", "From the waist."], faults: ["Only one hand works.", "Stands square."] },
    { id: "circling-hand", names: { english: ["circling hand"], cantonese: ["huen sao", "huen"] }, answer: [energy([1, 0, 0]), outward], coaching: ["Wrist round wrist, contact kept.", "Elbow stays."], faults: ["Circle from the shoulder.", "Loses the touch."] },
    { id: "sinking-elbow", names: { english: ["sinking elbow"], cantonese: ["jum sao", "jam sao"] }, answer: [energy([0.4, -0.9, 0]), inward], coaching: ["Elbow to the centre and down.", "Forearm covers the line."], faults: ["Chops.", "Shoulder rises."] },
    { id: "double-palm-push", names: { english: ["double-palm push", "double palm push"], cantonese: ["po pai"] }, roles: ["feed", "return"], limb: "both hands", energy: { direction: [0, 0, -1], on: "chest", contact: 300 }, coaching: ["Both palms, one push, from the feet.", "Follow with a step."], faults: ["Arms only.", "Overreaches."] },
    { id: "single-arm-cycle", names: { english: ["single-arm cycle", "single arm cycle"], cantonese: ["dan chi sao"] }, answer: [energy("with")], beats: 3, coaching: ["Palm, punch, block: each feels the next.", "Forward pressure, no more."], faults: ["Runs ahead of the partner.", "Pushes down."] },
    { id: "pummel", names: { english: ["pummel", "pummelling"] }, answer: [energy("with")], contact: { kind: "touch", on: "body" }, coaching: ["Swim under, head on his shoulder.", "Chest to chest."], faults: ["Reaches round from far.", "Head down."] },
    { id: "underhook", names: { english: ["underhook"] }, answer: [energy("with")], contact: { kind: "grip", on: "shoulder" }, coaching: ["Elbow high, hand on the shoulder blade.", "Lift his side."], faults: ["Shallow.", "Hips far away."] },
    { id: "overhook", names: { english: ["overhook", "whizzer"] }, answer: [energy("with")], contact: { kind: "grip", on: "arm" }, coaching: ["Over his arm and tight.", "Hip into him."], faults: ["Loose elbow.", "Hangs."] },
    { id: "wrist-control", names: { english: ["wrist control"] }, contact: { kind: "grip", on: "wrist" }, answer: [energy("with")], coaching: ["Thumb side, close to the hand.", "Move with it."], faults: ["Chases the hand.", "Holds with both."] },
    { id: "slap-hand-cycle", names: { english: ["slap-hand cycle", "slap hand cycle"], filipino: ["hubud"] }, answer: [inward, energy([1, 0, 0])], beats: 3, coaching: ["Parry, pass, check: three beats, then it is his turn.", "Elbow passes the blow on."], faults: ["Slaps the air.", "Loses the third beat."] },
    { id: "pin", names: { english: ["pin"], cantonese: ["chum"] }, answer: [inward, energy([0, -1, 0])], contact: { kind: "pin", on: "forearm", incoming: true }, coaching: ["Press it to his body, not down.", "The other hand is free: use it."], faults: ["Holds too long.", "Pins with both hands."] },
    { id: "trap", names: { english: ["trap"] }, answer: [inward, energy([0.5, -0.87, 0])], contact: { kind: "pin", on: "arm", incoming: true }, coaching: ["On contact, elbow down.", "Hit at the same time."], faults: ["Chases hands.", "Traps from too far."] },
    { id: "grab", names: { english: ["grab", "seize"], cantonese: ["lap sao", "lop sao"] }, answer: [{ by: "seize", part: "leg" }], contact: { kind: "grip", on: "wrist", incoming: true }, coaching: ["Hook with the fingers, thumb with them.", "Pull with the body."], faults: ["Squeezes and stops.", "Reaches."] },
    { id: "strip", names: { english: ["strip", "strip grip"] }, contact: { kind: "break", on: "wrist" }, answer: [energy([1, 0, 0])], coaching: ["Against the thumb.", "Whole arm, elbow up."], faults: ["Only strength.", "Pulls straight back."] },
    { id: "arm-drag", names: { english: ["arm drag"] }, contact: { kind: "grip", on: "arm", incoming: true }, answer: [inward, energy([0.7, 0, -0.7])], move: 200, coaching: ["Behind the elbow, pass it across.", "Step to his back."], faults: ["Pulls towards the own chest.", "Feet stay."] },
    { id: "press-down", names: { english: ["press down"], cantonese: ["gum sao"] }, answer: [{ ...inward, push: "down", box: [-0.14, 0.2, 0.45, 0.85] }, energy([0, -1, 0])], contact: { kind: "pin", on: "forearm", incoming: true }, coaching: ["Palm down, elbow in.", "Weight, not muscle."], faults: ["Leans on it.", "Opens the head."] },
    { id: "wing-arm", names: { english: ["wing arm"], cantonese: ["bong sao"] }, answer: [{ by: "deflect", limb: "forearm", push: "inward", box: [-0.14, 0.2, 0.6, 0.95], limit: 0.22 }, energy([0.8, 0.6, 0])], coaching: ["Elbow high, wrist low, in the centre.", "It passes through, it does not stay."], faults: ["Lifts the shoulder.", "Stays there."] },
    { id: "palm-up-arm", names: { english: ["palm-up arm", "palm up arm"], cantonese: ["tan sao"] }, answer: [outward, energy([0.9, 0, 0.4])], coaching: ["Elbow a fist from the body, palm up.", "Forward, not to the side."], faults: ["Sweeps sideways.", "Elbow out."] },
    { id: "resting-arm", names: { english: ["resting arm"], cantonese: ["fook sao", "fuk sao"] }, answer: [{ ...inward, limb: "forearm" }, energy([0.7, -0.7, 0])], coaching: ["Lies on his arm and controls the centre.", "Elbow in."], faults: ["Presses down.", "Wrist breaks."] },
    { id: "sweep-arm", names: { english: ["sweep arm"], cantonese: ["gaan sao", "gan sao"] }, answer: [{ ...outward, box: [-0.14, 0.24, 0.4, 0.75] }, { by: "interpose", limb: "forearm", segments: [[0.15, 0.78, 0.17, 0.5]], depth: 0.25, stands: "incoming" }], coaching: ["Down and out with the edge of the forearm.", "Turn with it."], faults: ["Reaches down.", "Too wide."] },
    { id: "shooting-hand", names: { english: ["shooting hand"], cantonese: ["biu sao"] }, roles: ["answer", "return"], attack: { path: "thrust", tool: "fingers", target: "chest", extension: 0.97, turn: 30, turnReturn: 40, step: 0.3, minGap: 0.3, contact: 220, recover: 180, commitment: 0.3 }, answer: [energy("through"), outward], coaching: ["When the pressure goes, the hand goes.", "Edge of the forearm covers on the way."], faults: ["Waits.", "Aims past the centre."], cautions: ["To the chest in class, never the eyes or the throat."] },
    { id: "wiping-palm", names: { english: ["wiping palm"] }, answer: [energy([1, 0, 0]), inward], coaching: ["Wipe along his forearm and out.", "Keep the elbow low."], faults: ["Wipes too far.", "Loses contact."] },
    { id: "contact-roll", names: { english: ["roll"], cantonese: ["luk sao", "poon sao"] }, answer: [energy("with")], beats: 2, coaching: ["Both arms change places without a gap.", "Forward pressure stays even."], faults: ["Pumps up and down.", "Elbows leave."] },
    { id: "stick-to", names: { english: ["stick"], cantonese: ["chi sao"] }, answer: [energy("with")], contact: { kind: "touch", on: "forearm" }, coaching: ["No lost touch, no added force.", "Listen with the skin."], faults: ["Grips.", "Runs after the hand."] },
    { id: "follow", names: { english: ["follow"] }, limb: "body", answer: [energy("with"), { by: "displace", feet: { forward: 0.3 }, way: "word" }], coaching: ["Go with it and add a little.", "Feet arrive with the hand."], faults: ["Falls in.", "Resists first."] },
    { id: "clear", names: { english: ["clear"] }, contact: { kind: "break", on: "forearm" }, answer: [energy([1, 0, 0]), inward], coaching: ["Take it off the line and out.", "Small."], faults: ["Slaps.", "Both hands busy."] },
    { id: "disengage", names: { english: ["disengage"] }, contact: { kind: "clear", on: "forearm" }, answer: [energy([0, 0, -1], false)], coaching: ["Leave on the shortest way.", "Cover while leaving."], faults: ["Drops the arm.", "Leaves without cover."] },
    { id: "circle-off", names: { english: ["circle off"] }, contact: { kind: "break", on: "wrist" }, answer: [energy([0.9, 0.4, 0])], coaching: ["Round his wrist to the other side.", "Elbow leads."], faults: ["Pulls.", "Too large."] },
  ],
);

export const yielding = defineMoves(
  { group: "yielding", roles: ["answer", "setup"], limb: "body", sides: "way", move: 150 },
  [
    { id: "turn", names: { english: ["turn"] }, answer: [energy("turn")], coaching: ["The pushed side gives way, the other comes.", "Round the spine, feet stay."], faults: ["Turns into the push.", "Leans."] },
    { id: "sink", names: { english: ["sink"] }, answer: [energy([0, -0.7, -0.7])], coaching: ["Knees bend, the push goes to the floor.", "Chest empty."], faults: ["Bends the back.", "Stiff knees."] },
    { id: "fold", names: { english: ["fold"] }, answer: [energy([0, -0.4, -0.9])], coaching: ["At the hip joint, back straight.", "Come back as he stops."], faults: ["Collapses.", "Head forward."] },
    { id: "empty", names: { english: ["empty", "empty chest"] }, answer: [energy([0, 0, -1])], coaching: ["Chest hollow, shoulders round.", "Nothing there to push."], faults: ["Steps back.", "Holds the breath."] },
    { id: "lead-past", names: { english: ["lead past", "lead by"] }, answer: [energy([0.6, 0, -0.8])], coaching: ["Add a little in his direction, then to the side.", "Turn at the waist."], faults: ["Pulls too early.", "Uses the arms."] },
    { id: "root", names: { english: ["root"] }, answer: [energy([0, -0.8, -0.6])], coaching: ["Let it run down into the rear leg.", "Relax above the hips."], faults: ["Pushes back.", "Locks the knee."] },
    { id: "brace", names: { english: ["brace", "resist"] }, answer: [energy("against")], coaching: ["For power rounds, not for sensitivity.", "Whole body, not arms."], faults: ["Holds against everything.", "Stops breathing."] },
  ],
);

export const order = defineMoves(
  { group: "return to order", roles: ["setup"], limb: "body", sides: "none", move: 300 },
  [
    { id: "break-fall", names: { english: ["break-fall", "breakfall"], japanese: ["ukemi"] }, restores: true, coaching: ["Chin in, slap flat, breathe out.", "Learned before any throw."], faults: ["Hand behind the body.", "Head up."], cautions: ["On mats."] },
    { id: "stop", names: { english: ["stop"], japanese: ["yame"] }, coaching: ["Everybody may say it at any time.", "All work ends at once."], faults: ["One more blow.", "Not heard."] },
    { id: "guard", names: { english: ["guard", "on guard"], japanese: ["kamae"], filipino: ["handa"] }, restores: true, coaching: ["Hands home, chin down.", "Weight between the feet."], faults: ["Hands drift apart.", "Feet square."] },
    { id: "recover", names: { english: ["recover", "reset stance"] }, restores: true, coaching: ["Back to stance before the next blow.", "Feet first, then hands."], faults: ["Skipped when tired.", "Half way only."] },
    { id: "exit-angle", names: { english: ["exit angle", "exit"] }, restores: true, sides: "way", answer: [{ by: "displace", feet: { back: 0.3, side: 0.3 }, way: "evade" }], coaching: ["Leave on an angle, never straight.", "Hands up until out of reach."], faults: ["Turns the back.", "Admires the work."] },
    { id: "reset", names: { english: ["reset"] }, restores: true, coaching: ["Both to the start.", "Look, breathe, nod."], faults: ["Starts from too near.", "Hurries."] },
    { id: "change-hands", names: { english: ["change hands", "hand change"] }, changes: "hands", coaching: ["On the beat, in front of the body.", "Old hand becomes the live hand."], faults: ["Misses the beat.", "Looks at the stick."] },
    { id: "entry-grab", names: { english: ["entry grab"] }, limb: "off hand", contact: { kind: "grip", on: "weapon" }, coaching: ["Take the far end as it passes.", "Feet enter with the hand."], faults: ["Snatches.", "Too early."] },
    { id: "slap-off", names: { english: ["slap off"] }, limb: "off hand", contact: { kind: "break", on: "weapon" }, coaching: ["Short slap, then strike.", "Back to the chest."], faults: ["Follows it through.", "Slaps the hand."] },
    { id: "bow", names: { english: ["bow", "salute"], japanese: ["rei"], thai: ["wai"], filipino: ["saludo"] }, coaching: ["Before and after.", "Eyes stay aware."], faults: ["Hurried.", "Too close."] },
  ],
);
