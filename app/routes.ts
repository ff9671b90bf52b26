import { index, route, type RouteConfig } from "@react-router/dev/routes";

export default [
  index("routes/drills.tsx"),
  route("drills/new", "routes/new-drill.tsx"),
  route("drills/:id", "routes/desk.tsx"),
  route("drills/:id/save", "routes/save.tsx"),
  route("drills/:id/revisions", "routes/revisions.tsx"),
  route("drills/:id/ladder", "routes/ladder.tsx"),
  route("drills/:id/calls", "routes/calls.tsx"),
  route("drills/:id/card", "routes/drill-card.tsx"),
  route("class", "routes/tonight.tsx"),
  route("class/:id", "routes/class.tsx"),
  route("class/:id/card", "routes/card.tsx"),
  route("answers", "routes/answers.tsx"),
  route("words/settings", "routes/settings.tsx"),
  route("words", "routes/words.tsx"),
  route("words/new", "routes/own-move.tsx", { id: "new-move" }),
  route("words/:id/edit", "routes/own-move.tsx"),
  route("words/numbering", "routes/numbering.tsx"),
  route("words/school", "routes/school.tsx"),
] satisfies RouteConfig;
