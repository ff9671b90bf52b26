/** Leg blows and takedown entries. Reach is a share of H; times from memory; common practice, no source. */
import { defineMoves } from "../define.ts";

const KICK = { step: 0.35, contact: 400, recover: 350, commitment: 0.6, leaves: "other" } as const;
const ROUND = { ...KICK, path: "arc", tool: "shin", reach: 0.49, minGap: 0.45 } as const;
const PUSH = { ...KICK, path: "thrust", tool: "foot", reach: 0.52, minGap: 0.45, target: { mid: "belly", high: "face", low: "thigh" } } as const;

export const legBlows = defineMoves(
  { group: "leg blow", roles: ["feed", "return"], sides: "limb", heights: ["mid", "low", "high"] },
  [
    {
      id: "switch-kick", fixedSide: true, names: { english: ["switch kick"], thai: ["te sap"] }, limb: "lead leg",
      attack: { ...ROUND, target: { mid: "ribs", low: "thigh", high: "head" }, clock: { mid: 8.5, low: 9, high: 8.5 }, contact: 450, effect: "quarter turn" },
      coaching: ["The feet change places first, low and quick.", "Kick through the target."],
      faults: ["Jumps up on the switch.", "Drops the arm too early."],
    },
    {
      id: "front-kick", names: { english: ["front kick"], japanese: ["mae geri"], cantonese: ["jik tek"] }, limb: "rear leg",
      attack: { ...PUSH, reach: 0.5, contact: 380, effect: "head forward" },
      coaching: ["Knee first, then the foot.", "Ball of the foot; pull it back."],
      faults: ["Leans back.", "Lets the foot fall forward."],
    },
    {
      id: "push-kick", names: { english: ["push kick"], thai: ["teep", "thip"] }, limb: "lead leg",
      attack: { ...PUSH, contact: 380, effect: "head forward" },
      coaching: ["Hips go forward with the foot.", "Hands stay up."],
      faults: ["Kicks up instead of pushing through.", "Swings the arms down."],
    },
    {
      id: "round-kick", names: { english: ["round kick", "roundhouse", "roundhouse kick"], thai: ["te tat"], japanese: ["mawashi geri"] }, limb: "rear leg",
      attack: { ...ROUND, target: { mid: "ribs", low: "thigh", high: "head" }, clock: { mid: 8.5, low: 9, high: 8.5 }, effect: "quarter turn" },
      coaching: ["Standing foot turns out.", "Shin lands, not the foot."],
      faults: ["Does not turn the standing foot.", "Drops the guard on the kicking side."],
      cautions: ["Unpadded shin on shin: touch only, with shin guards for repetitions."],
    },
    {
      id: "inside-leg-kick", names: { english: ["inside leg kick"] }, limb: "lead leg", heights: ["low"],
      attack: { ...ROUND, target: "thigh", clock: 9, contact: 350, commitment: 0.4, effect: "knee gives" },
      coaching: ["Short and quick to the inside of the thigh.", "Back to stance at once."],
      faults: ["Swings wide.", "Lands on the knee."],
    },
    {
      id: "side-kick", names: { english: ["side kick"], japanese: ["yoko geri"] }, limb: "lead leg",
      attack: { ...PUSH, reach: 0.54, minGap: 0.55, contact: 420 },
      coaching: ["Heel leads, hips turn over.", "Look over the lead shoulder."],
      faults: ["Kicks with the toes up.", "Falls forward after it."],
    },
    {
      id: "back-kick", names: { english: ["back kick"], japanese: ["ushiro geri"] }, limb: "rear leg",
      attack: { ...PUSH, reach: 0.55, minGap: 0.65, contact: 450, recover: 450, commitment: 0.9, overTurns: true, effect: "head forward" },
      coaching: ["Look first, then the heel goes straight back.", "Knees pass close together."],
      faults: ["Turns too far and swings round.", "Kicks without looking."],
    },
    {
      id: "short-back-kick", names: { english: ["short back kick"] }, limb: "rear leg", heights: ["mid", "low"],
      attack: { ...PUSH, reach: 0.42, minGap: 0.25, contact: 400, recover: 400, commitment: 0.8, overTurns: true, effect: "head forward" },
      coaching: ["Bent knee, short path, for close range.", "Turn only half."],
      faults: ["Looks for room that is not there.", "Turns the back and stays."],
    },
    {
      id: "hook-kick", names: { english: ["hook kick"], japanese: ["ura mawashi geri"] }, limb: "lead leg", heights: ["high", "mid"],
      attack: { ...ROUND, tool: "foot", target: { high: "head", mid: "ribs" }, clock: 3, reach: 0.52, contact: 450, recover: 400 },
      coaching: ["Past the target, then hook the heel back.", "Hip stays turned over."],
      faults: ["Bends the standing knee too late.", "Swings with the arms."],
    },
    {
      id: "crescent-kick", names: { english: ["crescent kick"], japanese: ["mikazuki geri"] }, limb: "rear leg", heights: ["high", "mid"],
      attack: { ...ROUND, tool: "foot", target: { high: "head", mid: "chest" }, clock: 9.5, contact: 430 },
      coaching: ["Leg swings in an arc across.", "Upper body stays upright."],
      faults: ["Bends the trunk back.", "Drops the hands."],
    },
    {
      id: "knee", names: { english: ["knee", "knee strike"], thai: ["khao"], japanese: ["hiza geri"] }, limb: "rear leg", heights: ["mid", "low"],
      attack: { ...KICK, path: "thrust", tool: "knee", target: { mid: "belly", low: "thigh" }, reach: 0.3, minGap: 0.2, step: 0.5, contact: 350, effect: "head forward" },
      coaching: ["Hips drive forward, heel to the seat.", "Hands control the head or the arms."],
      faults: ["Lifts the knee without the hip.", "Lets go of the clinch."],
    },
    {
      id: "stomp", names: { english: ["stomp"], japanese: ["fumikomi"] }, limb: "lead leg", heights: ["low"],
      attack: { ...KICK, path: "thrust", tool: "foot", target: "foot", reach: 0.35, minGap: 0.2, contact: 350 },
      coaching: ["Heel down, toes out.", "In class: to the mat beside the foot."],
      faults: ["Loses balance.", "Looks down."], cautions: ["Never on a partner's foot: stamp beside it."],
    },
    {
      id: "sweep", names: { english: ["sweep", "foot sweep"], japanese: ["ashi barai"] }, limb: "rear leg", heights: ["low"],
      attack: { ...ROUND, tool: "foot", target: "ankle", clock: 9, reach: 0.47, minGap: 0.35, contact: 380, effect: "knee gives" },
      coaching: ["As the weight comes onto that foot.", "Sole of the foot, low."],
      faults: ["Kicks the shin.", "Comes too late, when the foot is loaded."], cautions: ["Mats, break-falls learned, and consent for tonight."],
    },
  ],
);

const SHOT = { path: "shoot", tool: "grip", drive: 0.3, step: 0.7, minGap: 0.3, contact: 450, recover: 500, commitment: 1 } as const;
const FALLS = ["Mats, break-falls learned, and consent for tonight."];

export const takedowns = defineMoves(
  { group: "takedown entry", roles: ["feed", "return"], sides: "limb", limb: "both hands", cautions: FALLS, goesDown: true },
  [
    {
      id: "double-leg", names: { english: ["double leg", "double leg takedown"], japanese: ["morote gari"] },
      attack: { ...SHOT, target: "thigh", reach: 0.38 },
      coaching: ["Change level before the step.", "Head up, ear to his side."],
      faults: ["Bends at the waist.", "Reaches with the arms from too far."],
    },
    {
      id: "single-leg", names: { english: ["single leg"] },
      attack: { ...SHOT, target: "thigh", reach: 0.38, contact: 420 },
      coaching: ["Head inside, both hands behind the knee.", "Stand up with the leg."],
      faults: ["Stays on the knees.", "Head on the outside without control."],
    },
    {
      id: "ankle-pick", names: { english: ["ankle pick"], japanese: ["kibisu gaeshi"] },
      attack: { ...SHOT, target: "ankle", reach: 0.36, drive: 0.1, contact: 400 },
      coaching: ["Drag the head down as the hand goes to the heel.", "Step so the foot is loaded."],
      faults: ["Reaches for a light foot.", "No control of the head."],
    },
    {
      id: "body-lock", names: { english: ["body lock", "bear hug"] },
      attack: { ...SHOT, target: "belly", reach: 0.26, contact: 450, step: 0.6 },
      coaching: ["Hips close, head on the chest.", "Hands locked at the small of the back."],
      faults: ["Hips away.", "Squeezes with the arms only."],
    },
    {
      id: "reap", names: { english: ["reap", "outer reap"], japanese: ["osoto gari"] },
      attack: { ...SHOT, target: "knee", reach: 0.3, contact: 450, step: 0.6 },
      coaching: ["Break the balance before the leg goes.", "Chest to chest."],
      faults: ["Reaches with the leg alone.", "Bends forward."],
    },
  ],
);
