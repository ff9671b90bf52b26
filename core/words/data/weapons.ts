/** Stick and blade attacks. Clock lines for a right-hander; times from memory; common practice, no source. */
import { defineMoves } from "../define.ts";

const SWING = { path: "arc", extension: 0.8, turn: 25, turnReturn: 35, step: 0.7, minGap: 0.45, recover: 300, commitment: 0.5 } as const;
const FORE = { ...SWING, clock: { high: 10, mid: 9, low: 8 }, target: { high: "temple", mid: "ribs", low: "knee" }, contact: 280 } as const;
const BACK = { ...SWING, clock: { high: 2, mid: 3, low: 4 }, target: { high: "temple", mid: "ribs", low: "knee" }, contact: 260, turn: 10, turnReturn: 20 } as const;
const LUNGE = { path: "thrust", extension: 0.85, turn: 30, turnReturn: 40, step: 0.7, minGap: 0.5, target: { mid: "belly", high: "face", low: "thigh" }, contact: 260, recover: 280, commitment: 0.5 } as const;

export const stickBlows = defineMoves(
  { group: "stick", roles: ["feed", "return"], limb: "weapon hand", sides: "limb", needs: "stick", heights: ["high", "mid", "low"] },
  [
    {
      id: "stick-forehand", names: { english: ["forehand", "forehand strike"], filipino: ["tagang alisiwas"] },
      attack: { ...FORE, tool: "stick", effect: "quarter turn" },
      coaching: ["Body turns, the stick follows last.", "The free hand stays at the chest."],
      faults: ["Only wrist and no body.", "Stops the swing at the target."],
    },
    {
      id: "stick-backhand", names: { english: ["backhand", "backhand strike"] },
      attack: { ...BACK, tool: "stick", effect: "quarter turn" },
      coaching: ["Chamber on the other shoulder, palm down.", "Step or turn with it."],
      faults: ["Elbow flies up.", "Chambers on the wrong side."],
    },
    {
      id: "stick-redonda", names: { english: ["redonda", "full circle"], filipino: ["redonda"] },
      attack: { ...FORE, tool: "stick", contact: 300 },
      coaching: ["The stick goes all the way round and lands where it started.", "Wrist loose, shoulder low."],
      faults: ["The circle tips out of its plane.", "Hits flat."],
    },
    {
      id: "stick-figure-eight", names: { english: ["figure eight"], filipino: ["ocho ocho"] },
      attack: { ...FORE, tool: "stick", contact: 300 }, beats: 2,
      coaching: ["Forehand and backhand without a stop between.", "Hips lead each half."],
      faults: ["Two separate swings.", "Elbow leaves the body."],
    },
    {
      id: "stick-overhead", names: { english: ["overhead", "overhead strike"], filipino: ["bagsak"] }, heights: ["high"],
      attack: { ...SWING, tool: "stick", clock: 12, target: "crown", contact: 300, effect: "head forward" },
      coaching: ["Straight down the middle.", "Hand stops at the own chest height."],
      faults: ["Lifts the elbow and opens the ribs.", "Leans into it."],
    },
    {
      id: "stick-upward", names: { english: ["upward", "upward strike"], filipino: ["salok"] }, heights: ["mid", "low"],
      attack: { ...SWING, tool: "stick", clock: 6, target: { mid: "jaw", low: "groin" }, contact: 280 },
      coaching: ["From low, knuckles forward.", "Wrist flicks at the end."],
      faults: ["Scoops with a bent back.", "No recovery to guard."], cautions: ["In class: to the front of the chest, not the groin."],
    },
    {
      id: "stick-thrust", names: { english: ["thrust", "poke"], filipino: ["tusok", "sungkite"] }, heights: ["mid", "high", "low"],
      attack: { ...LUNGE, tool: "stick", effect: "head forward" },
      coaching: ["Point first, then the arm, then the foot.", "Withdraw on the same line."],
      faults: ["Pulls back before going.", "Reaches with the head."],
    },
    {
      id: "stick-butt", names: { english: ["butt", "butt strike"], filipino: ["punyo"] }, heights: ["high", "mid"],
      attack: { path: "arc", tool: "butt", clock: 9, target: { high: "temple", mid: "ribs" }, extension: 0.68, turn: 40, turnReturn: 50, step: 0.5, minGap: 0.2, contact: 280, recover: 240, commitment: 0.5 },
      coaching: ["From close, with the end below the hand.", "The free hand clears the way."],
      faults: ["Reaches from stick range.", "Loses the grip."],
    },
    {
      id: "two-hand-push", names: { english: ["two-hand push", "two hand push"] }, limb: "both hands", heights: ["mid"],
      attack: { path: "thrust", tool: "stick", target: "chest", extension: 0.75, turn: 0, step: 0.5, minGap: 0.25, contact: 300, recover: 300, commitment: 0.5 },
      coaching: ["Hands wide, stick level.", "Push from the legs."],
      faults: ["Fingers open.", "Stick tilts to the face."],
    },
    {
      id: "stick-fan", names: { english: ["fan"], filipino: ["abaniko"] }, heights: ["high"],
      attack: { ...FORE, tool: "stick", clock: 10, target: "temple", contact: 240, turn: 20, commitment: 0.3 },
      coaching: ["From the wrist, side to side.", "Elbow stays put."],
      faults: ["Uses the whole arm.", "Grip too tight."],
    },
    {
      id: "stick-twirl", names: { english: ["twirl"], filipino: ["arko"] },
      attack: { ...FORE, tool: "stick", contact: 300, commitment: 0.3 },
      coaching: ["Circle outside the arm, then land.", "Relax the last fingers."],
      faults: ["Hits the own elbow.", "Drops the stick."],
    },
    {
      id: "strike", names: { english: ["strike", "angle"] }, numbered: "strike", needs: "weapon",
      coaching: ["Call the number, then strike to the true target.", "The line counts, not the number."],
      faults: ["Shortens the line to be nice.", "Feeds out of range."],
    },
  ],
);

export const bladeBlows = defineMoves(
  { group: "blade", roles: ["feed", "return"], limb: "weapon hand", sides: "limb", needs: "blade", heights: ["high", "mid", "low"], cautions: ["Training blades only, blunt; eye protection at speed."] },
  [
    {
      id: "slash-forehand", names: { english: ["slash forehand", "forehand slash", "forehand"], filipino: ["hiwa"] },
      attack: { ...FORE, tool: "blade", extension: 0.85, contact: 260, target: { high: "face", mid: "ribs", low: "thigh" } },
      coaching: ["Short path, the edge leads.", "The free hand stays back at the chest."],
      faults: ["Swings like a stick.", "Free hand hangs in front."],
    },
    {
      id: "slash-backhand", names: { english: ["slash backhand", "backhand slash", "backhand"] },
      attack: { ...BACK, tool: "blade", extension: 0.85, contact: 240, target: { high: "face", mid: "ribs", low: "thigh" } },
      coaching: ["From across the chest.", "Withdraw along the cut."],
      faults: ["Opens the elbow first.", "Stops at the end of the line."],
    },
    {
      id: "blade-thrust", names: { english: ["thrust", "stab"], filipino: ["saksak"] }, heights: ["mid", "high", "low"],
      attack: { ...LUNGE, tool: "blade", contact: 240 },
      coaching: ["Straight in and straight out.", "Hips behind the hand."],
      faults: ["Leaves the arm out.", "Leans over the lead knee."],
    },
    {
      id: "downward-stab", names: { english: ["downward stab", "ice pick"], filipino: ["pakal"] }, heights: ["high"],
      attack: { ...SWING, tool: "blade", clock: 12, extension: 0.75, target: "crown", contact: 280 },
      coaching: ["Reverse grip, down to the collar.", "Keep the elbow in front."],
      faults: ["Winds up behind the head.", "Feet stand still."],
    },
  ],
);
