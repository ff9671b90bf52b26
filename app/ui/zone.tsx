/** The school's clock on screens: days and times are shown in its zone, whatever zone the device is in. */
import { createContext, useContext } from "react";
import { dayIn } from "#core/base/days.ts";

const ZoneContext = createContext("UTC");

export const ZoneProvider = ZoneContext.Provider;
export const useZone = (): string => useContext(ZoneContext);

/** Turns an instant (ms) into the day of the school's clock, `2026-11-25`. */
export function useDayOf(): (at: number) => string {
  const zone = useZone();
  return (at) => dayIn(zone, at);
}
