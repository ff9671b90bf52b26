/** Who looks at a screen: whoever teaches changes things there, everybody else reads. */
import { createContext, useContext, type ReactNode } from "react";
import type { Me } from "#server/access/me.ts";

type Role = Me["role"];

const TEACH: readonly Role[] = ["owner", "instructor"];

/** A screen that is drawn alone, as in a test, is drawn whole. */
const RoleContext = createContext<Role>("owner");

export const RoleProvider = RoleContext.Provider;
export const useTeaches = (): boolean => TEACH.includes(useContext(RoleContext));

/** What only those who teach have a use for. */
export function ForTeachers({ children, others = null }: { children: ReactNode; others?: ReactNode }) {
  return useTeaches() ? children : others;
}

/** Where the papers and the wall of a class lead back to: nobody is sent to a page that is not theirs. */
export function useWayBack(classId: string): { readonly to: string; readonly label: string } {
  const role = useContext(RoleContext);
  if (TEACH.includes(role)) return { to: `/class/${classId}/plan`, label: "Back to the plan" };
  if (role === "tablet") return { to: `/class/${classId}/floor`, label: "Back to the clock" };
  return { to: `/class/${classId}`, label: "Back to the class" };
}
