/**
 * Hand blows. Extension is a share of the arm; turns in degrees; times in ms, judgements from
 * memory; common practice, no source.
 */
import { defineMoves } from "../define.ts";

const PUNCH = { path: "thrust", tool: "fist", target: { high: "face", mid: "chest", low: "belly" }, step: 0.35, minGap: 0.4 } as const;
const HEADWARD = { effect: "head back" } as const;

export const handBlows = defineMoves(
  { group: "hand blow", roles: ["feed", "return"], sides: "limb", heights: ["high", "mid", "low"] },
  [
    {
      id: "jab", fixedSide: true, names: { english: ["jab", "lead straight"], boxing: ["1"], japanese: ["kizami zuki"], cantonese: [] },
      limb: "lead hand",
      attack: { ...PUNCH, ...HEADWARD, extension: 0.97, turn: 45, contact: 250, recover: 200, leaves: "same", commitment: 0.3 },
      coaching: ["The shoulder comes up to the chin as the arm goes out.", "It comes back on the line it went out on."],
      faults: ["Drops the hand on the way back.", "Leans over the front foot to reach."],
    },
    {
      id: "exit-jab", fixedSide: true, names: { english: ["exit jab", "jab on the way out"] }, limb: "lead hand", roles: ["return"],
      attack: { ...PUNCH, ...HEADWARD, extension: 0.97, turn: 45, contact: 250, recover: 200, leaves: "other", commitment: 0.2 },
      coaching: ["It closes the door: throw it as the feet leave.", "Eyes stay on the partner's chest."],
      faults: ["Steps out first and jabs the air.", "Backs straight up behind it."],
    },
    {
      id: "check-hook", names: { english: ["check hook"] }, limb: "lead hand",
      attack: { path: "arc", tool: "fist", target: { high: "head", mid: "ribs" }, clock: 9, extension: 0.62, turn: 55, turnReturn: 70, step: 0.1, minGap: 0.3, contact: 300, recover: 260, leaves: "other", commitment: 0.4, effect: "quarter turn" },
      answer: [{ by: "displace", side: { head: 0.24, chest: 0.22, belly: 0.22, hips: 0.2, legs: 0.15 }, turn: 45, way: "evade" }], move: 300,
      coaching: ["Turn on the ball of the lead foot so that he walks past.", "The hook lands while the pivot happens, not after."],
      faults: ["Hooks first and pivots late.", "Swings the rear foot without taking the hips round."],
    },
    {
      id: "cross", fixedSide: true, names: { english: ["cross", "rear straight"], boxing: ["2", "straight right"], japanese: ["gyaku zuki"] },
      limb: "rear hand",
      attack: { ...PUNCH, ...HEADWARD, extension: 0.97, turn: 20, turnReturn: 40, contact: 300, recover: 260, leaves: "other", commitment: 0.5 },
      coaching: ["The rear heel turns out; the hip sends the hand.", "The lead hand stays home while it goes."],
      faults: ["Drops the lead hand.", "Over-rotates so that the next move cannot start."],
    },
    {
      id: "hook", names: { english: ["hook"], boxing: ["3"], japanese: ["mawashi zuki"] }, limb: "lead hand",
      attack: { path: "arc", tool: "fist", target: { high: "head", mid: "ribs", low: "ribs" }, clock: 9, extension: 0.62, turn: { lead: 55, rear: 25 }, turnReturn: { lead: 55, rear: 40 }, step: 0.6, minGap: 0.25, contact: 300, recover: 280, loads: "same", leaves: "other", commitment: 0.5, effect: "quarter turn" },
      coaching: ["Elbow level with the fist; body and arm turn as one.", "Fist upright or flat: as the school has it, the line is the same."],
      faults: ["Winds up behind the shoulder.", "Drops the other hand while turning."],
    },
    {
      id: "uppercut", names: { english: ["uppercut"], boxing: ["5"], japanese: ["age zuki"] }, limb: "lead hand",
      attack: { path: "arc", tool: "fist", target: { high: "jaw", mid: "belly", low: "belly" }, clock: 6, extension: 0.6, turn: { lead: 40, rear: 20 }, turnReturn: { lead: 45, rear: 40 }, step: 0.6, minGap: 0.2, contact: 280, recover: 280, loads: "same", leaves: "other", commitment: 0.5, effect: "head back" },
      coaching: ["The legs lift it; the arm only carries.", "Palm towards the own face at the end."],
      faults: ["Drops the hand to the hip before it goes.", "Leans back while lifting."],
    },
    {
      id: "shovel-hook", names: { english: ["shovel hook"] }, limb: "lead hand",
      attack: { path: "arc", tool: "fist", target: { mid: "ribs", low: "belly", high: "jaw" }, clock: 7.5, extension: 0.6, turn: 45, step: 0.6, minGap: 0.2, contact: 290, recover: 280, loads: "same", leaves: "other", commitment: 0.5, effect: "head forward" },
      heights: ["mid", "low", "high"],
      coaching: ["Half way between hook and uppercut: drive in and up.", "Elbow close to the hip."],
      faults: ["Swings it from outside.", "Leaves the chin open on that side."],
    },
    {
      id: "overhand", names: { english: ["overhand"] }, limb: "rear hand", heights: ["high"],
      attack: { path: "arc", tool: "fist", target: "head", clock: 10, extension: 0.85, turn: 25, turnReturn: 40, step: 0.4, minGap: 0.35, contact: 330, recover: 330, loads: "same", leaves: "other", commitment: 0.8, effect: "head back" },
      coaching: ["Over the top of his arm, head off the line.", "The rear knee turns in with it."],
      faults: ["Falls over the front foot.", "Looks at the floor while throwing."],
    },
    {
      id: "straight-punch", names: { english: ["straight punch", "centre punch"], cantonese: ["chung choi"], japanese: ["choku zuki"] }, limb: "lead hand",
      attack: { ...PUNCH, ...HEADWARD, target: { high: "face", mid: "centre", low: "belly" }, extension: 0.95, turn: 10, turnReturn: 15, contact: 240, recover: 200, commitment: 0.3 },
      coaching: ["Along the centre line, elbow low.", "The other hand waits in front of the chest."],
      faults: ["Elbow flares out.", "Shoulder leads and the balance goes."],
    },
    {
      id: "backfist", names: { english: ["backfist"], japanese: ["uraken"], cantonese: ["gwa choi"] }, limb: "lead hand",
      attack: { path: "arc", tool: "fist", target: { high: "head" }, clock: 2.5, extension: 0.9, turn: 30, step: 0.35, minGap: 0.35, contact: 280, recover: 240, commitment: 0.3, effect: "quarter turn" },
      heights: ["high"],
      coaching: ["A whip from the elbow, back at once.", "Cover with the other hand."],
      faults: ["Pushes instead of snapping.", "Shows it with the elbow first."],
    },
    {
      id: "spinning-backfist", names: { english: ["spinning backfist"] }, limb: "rear hand", heights: ["high"],
      attack: { path: "arc", tool: "fist", target: "head", clock: 3, extension: 0.95, turn: 40, step: 0.4, minGap: 0.45, contact: 480, recover: 450, commitment: 1, overTurns: true, effect: "quarter turn" },
      coaching: ["Look over the shoulder before the arm comes.", "Step across, so that the turn ends in balance."],
      faults: ["Turns blind.", "Ends with the back to the partner."],
    },
    {
      id: "hammerfist", names: { english: ["hammerfist", "hammer fist"], japanese: ["tettsui"] }, limb: "rear hand", heights: ["high"],
      attack: { path: "arc", tool: "fist", target: "crown", clock: 12, extension: 0.85, turn: 20, turnReturn: 35, step: 0.4, minGap: 0.3, contact: 320, recover: 300, commitment: 0.5, effect: "head forward" },
      coaching: ["Falls from above like a mallet.", "Knees bend as it lands."],
      faults: ["Lifts the elbow early and tells it.", "Leans over the target."],
    },
    {
      id: "palm-strike", names: { english: ["palm strike", "palm heel"], japanese: ["teisho"], cantonese: ["jik jeung"] }, limb: "rear hand",
      attack: { ...PUNCH, ...HEADWARD, tool: "palm", extension: 0.93, turn: 20, turnReturn: 40, contact: 290, recover: 240, leaves: "other", commitment: 0.4 },
      coaching: ["Fingers up or to the side, heel of the hand leads.", "Relax until it lands."],
      faults: ["Pokes with the fingers.", "Slaps from the wrist."],
    },
    {
      id: "finger-flick", names: { english: ["finger flick"], cantonese: ["biu jee"] }, limb: "lead hand", heights: ["high"],
      attack: { path: "thrust", tool: "fingers", target: "eyes", extension: 1, turn: 45, step: 0.35, minGap: 0.4, contact: 220, recover: 180, commitment: 0.1 },
      coaching: ["Used to make him blink; in class to the brow pad.", "Back faster than it went."],
      faults: ["Stays out.", "Stiff fingers."], cautions: ["Eyes are never a target in class: flick at the brow pad."],
    },
    {
      id: "ridge-hand", names: { english: ["ridge hand"], japanese: ["haito"] }, limb: "rear hand",
      attack: { path: "arc", tool: "palm", target: { high: "temple", mid: "ribs" }, clock: 9, extension: 0.85, turn: 30, turnReturn: 40, step: 0.4, minGap: 0.35, contact: 340, recover: 320, loads: "same", leaves: "other", commitment: 0.6, effect: "quarter turn" },
      coaching: ["Thumb tucked in, inside edge leads.", "Swing from the hip, arm slightly bent."],
      faults: ["Locks the elbow.", "Swings wide and shows it."],
    },
    {
      id: "elbow", names: { english: ["elbow", "flat elbow"], thai: ["sok tat"], japanese: ["empi"] }, limb: "rear hand",
      attack: { path: "arc", tool: "elbow", target: { high: "head", mid: "chest" }, clock: 9, extension: 0.42, turn: 45, turnReturn: 55, step: 0.6, minGap: 0.15, contact: 300, recover: 260, loads: "same", leaves: "other", commitment: 0.5, effect: "quarter turn" },
      coaching: ["Hand to the own chest, hip turns through.", "Other hand guards the temple."],
      faults: ["Reaches with it from too far.", "Lifts the chin."],
    },
    {
      id: "up-elbow", names: { english: ["up elbow", "rising elbow"], thai: ["sok ngat"], japanese: ["age empi"] }, limb: "rear hand", heights: ["high"],
      attack: { path: "arc", tool: "elbow", target: "jaw", clock: 6, extension: 0.42, turn: 40, turnReturn: 50, step: 0.6, minGap: 0.15, contact: 300, recover: 260, loads: "same", leaves: "other", commitment: 0.5, effect: "head back" },
      coaching: ["Past the own ear, straight up.", "Rise from the legs."],
      faults: ["Leans back.", "Open on the other side."],
    },
    {
      id: "down-elbow", names: { english: ["down elbow"], thai: ["sok sap"] }, limb: "rear hand", heights: ["high", "mid"],
      attack: { path: "arc", tool: "elbow", target: { high: "crown", mid: "chest" }, clock: 12, extension: 0.42, turn: 35, turnReturn: 45, step: 0.4, minGap: 0.15, contact: 320, recover: 300, loads: "same", leaves: "other", commitment: 0.7, effect: "head forward" },
      coaching: ["Drop the weight with it.", "Only from the clinch or after a bind."],
      faults: ["Jumps into it.", "Eyes shut at contact."],
    },
    {
      id: "shoulder-bump", names: { english: ["shoulder bump"] }, limb: "lead hand", heights: ["mid"],
      attack: { path: "thrust", tool: "shoulder", target: "chest", extension: 0.15, turn: 60, step: 0.4, minGap: 0.1, contact: 250, recover: 200, commitment: 0.4 },
      coaching: ["Short, from the legs, chin behind the shoulder.", "Makes room for the next blow."],
      faults: ["Runs at him.", "Head comes forward first."],
    },
  ],
);
