import { index, route, type RouteConfig } from "@react-router/dev/routes";

export default [
  index("routes/drills.tsx"),
  route("drills/new", "routes/new-drill.tsx"),
  route("drills/:id", "routes/desk.tsx"),
  route("drills/:id/revisions", "routes/revisions.tsx"),
  route("drills/:id/ladder", "routes/ladder.tsx"),
  route("class", "routes/tonight.tsx"),
  route("class/:id", "routes/class.tsx"),
  route("class/:id/card", "routes/card.tsx"),
] satisfies RouteConfig;
