/**
 * Zones of the body that the checker tests, and where each part of the notation lies in them: one table.
 * Heights and sizes are shares of stature H unless a field says metres. Head centre .935, eyes .936,
 * chin .870 (Drillis and Contini 1966, as tabled in Winter); head half width .08 m and half height .12 m,
 * trunk half widths .092H and .090H, half depth .065H; the rest placed to fill the outline: common
 * practice, no source.
 */
import type { PartName } from "../words/part-names.ts";

/** A size or place: so many metres, or a share of H. */
type Length = { readonly m: number } | { readonly H: number };
/** Returns a length in m for a stature in m. */
export const metresOf = (length: Length, height: number): number => ("m" in length ? length.m : length.H * height);

/** Place and size of a zone. */
export interface ZoneData {
  /** Height of the centre above the floor, share of H. */
  readonly w: number;
  /** Distance of the centre before the body's own, m. */
  readonly d: number;
  readonly halfWidth: Length;
  readonly halfHeight: Length;
  readonly halfDepth: Length;
}
const m = (length: number): Length => ({ m: length });
const H = (share: number): Length => ({ H: share });
const TRUNK_DEPTH = H(0.065);

/** Zones of the trunk, and those that each leg has. */
export const TRUNK_ZONES = {
  head: { w: 0.935, d: 0.02, halfWidth: m(0.08), halfHeight: m(0.12), halfDepth: m(0.1) },
  neck: { w: 0.842, d: 0.01, halfWidth: m(0.06), halfHeight: H(0.025), halfDepth: m(0.06) },
  chest: { w: 0.735, d: 0, halfWidth: H(0.092), halfHeight: H(0.075), halfDepth: TRUNK_DEPTH },
  belly: { w: 0.595, d: 0, halfWidth: H(0.09), halfHeight: H(0.065), halfDepth: TRUNK_DEPTH },
  hips: { w: 0.5, d: 0, halfWidth: H(0.09), halfHeight: H(0.04), halfDepth: TRUNK_DEPTH },
} as const satisfies Record<string, ZoneData>;
/** The zones of each leg. */
export const LEG_ZONES = {
  thigh: { w: 0.4, d: 0, halfWidth: H(0.045), halfHeight: H(0.09), halfDepth: H(0.045) },
  knee: { w: 0.285, d: 0, halfWidth: H(0.036), halfHeight: H(0.036), halfDepth: H(0.036) },
  shin: { w: 0.14, d: 0, halfWidth: H(0.032), halfHeight: H(0.11), halfDepth: H(0.032) },
} as const satisfies Record<string, ZoneData>;
/** Half the distance between the legs, share of H. */
export const LEG_SIDE = 0.06;

type TrunkZone = keyof typeof TRUNK_ZONES;
type LegZone = keyof typeof LEG_ZONES;
/** What a part belongs to. An arm is hit as the chest behind it. */
type ZoneName = TrunkZone | LegZone | "arm";

/** Returns true for a zone of the legs. */
export const isLegZone = (zone: ZoneName): zone is LegZone => zone in LEG_ZONES;
/** Height of a zone's centre, share of H. */
export const zoneHeight = (zone: ZoneName): number =>
  zone === "arm" ? TRUNK_ZONES.chest.w : isLegZone(zone) ? LEG_ZONES[zone].w : TRUNK_ZONES[zone].w;

interface PartData {
  readonly zone: ZoneName;
  /** To the owner's right, share of H; of sided parts the amount on their own side. */
  readonly u: number;
  readonly w: number;
  readonly sided: boolean;
  /** Set where the part is no target in a class: what to train on instead. */
  readonly trainOn?: string;
}

const part = (zone: ZoneName, w: number, u = 0, trainOn?: string): PartData => ({
  zone,
  u,
  w,
  sided: u > 0,
  ...(trainOn ? { trainOn } : {}),
});

/** Where each part of the notation lies: its zone and its height as a share of the stature. */
export const PARTS: Readonly<Record<PartName, PartData>> = {
  head: part("head", 0.935),
  crown: part("head", 0.99),
  face: part("head", 0.905),
  eyes: part("head", 0.936, 0, "brow pad"),
  eye: part("head", 0.936, 0.018, "brow pad"),
  jaw: part("head", 0.87),
  temple: part("head", 0.94, 0.03),
  throat: part("neck", 0.84, 0, "chest"),
  neck: part("neck", 0.84, 0, "chest"),
  spine: part("chest", 0.7, 0, "mitt"),
  chest: part("chest", 0.735, 0.045),
  centre: part("chest", 0.735),
  shoulder: part("chest", 0.8, 0.1),
  ribs: part("belly", 0.645, 0.065),
  side: part("belly", 0.62, 0.075),
  body: part("belly", 0.62),
  belly: part("belly", 0.6),
  groin: part("hips", 0.49, 0, "thigh"),
  hip: part("hips", 0.52, 0.07),
  leg: part("thigh", 0.39, 0.06),
  thigh: part("thigh", 0.39, 0.06),
  knee: part("knee", 0.285, 0.06, "thigh"),
  shin: part("shin", 0.17, 0.06),
  ankle: part("shin", 0.06, 0.06),
  foot: part("shin", 0.03, 0.06),
  hand: part("arm", 0.78, 0.08),
  wrist: part("arm", 0.76, 0.09),
  forearm: part("arm", 0.72, 0.1),
  elbow: part("arm", 0.63, 0.12),
  arm: part("arm", 0.72, 0.11),
  weapon: part("arm", 0.8, 0.1),
};

/** True for parts that are the hand and arm (or what it holds), of which a pin takes hold. */
export const isArmPart = (name: PartName): boolean => PARTS[name].zone === "arm";
/** Returns true for a part of the legs. */
export const isLegPart = (name: PartName): boolean => isLegZone(PARTS[name].zone);
