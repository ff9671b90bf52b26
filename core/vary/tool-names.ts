/** The tools that a drill can change to, by name. */
import data from "./operators/tools.json" with { type: "json" };

/** The name of a tool. */
export type ToolId = (typeof data.tools)[number]["id"];
/** The names of all tools. */
export const TOOL_IDS = data.tools.map((tool) => tool.id);
