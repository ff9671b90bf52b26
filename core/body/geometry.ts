/** Plane geometry of the checker. All lengths in metres. */

/** Length of a vector. `Math.hypot` guards against overflow, which metres do not need, at several times the cost. */
export const norm = (x: number, y: number): number => Math.sqrt(x * x + y * y);

/** Distance of two segments a-b and c-d in the plane; 0 where they cross. */
export function segmentDistance(
  ax: number,
  ay: number,
  bx: number,
  by: number,
  cx: number,
  cy: number,
  dx: number,
  dy: number,
): number {
  if (segmentsCross(ax, ay, bx, by, cx, cy, dx, dy)) return 0;
  return Math.min(
    pointSegmentDistance(ax, ay, cx, cy, dx, dy),
    pointSegmentDistance(bx, by, cx, cy, dx, dy),
    pointSegmentDistance(cx, cy, ax, ay, bx, by),
    pointSegmentDistance(dx, dy, ax, ay, bx, by),
  );
}

/** True where segments a-b and c-d have a point in common (touching ends included). */
export function segmentsCross(
  ax: number,
  ay: number,
  bx: number,
  by: number,
  cx: number,
  cy: number,
  dx: number,
  dy: number,
): boolean {
  const d1 = cross(cx, cy, dx, dy, ax, ay);
  const d2 = cross(cx, cy, dx, dy, bx, by);
  const d3 = cross(ax, ay, bx, by, cx, cy);
  const d4 = cross(ax, ay, bx, by, dx, dy);
  return d1 * d2 < 0 && d3 * d4 < 0;
}

const cross = (ax: number, ay: number, bx: number, by: number, px: number, py: number) =>
  (bx - ax) * (py - ay) - (by - ay) * (px - ax);

/** Distance of point p to segment a-b. */
export function pointSegmentDistance(px: number, py: number, ax: number, ay: number, bx: number, by: number): number {
  const t = closestOnSegment(px, py, ax, ay, bx, by);
  return norm(px - ax - t * (bx - ax), py - ay - t * (by - ay));
}

/** Place on segment a-b nearest to p, 0 (a) to 1 (b). */
function closestOnSegment(px: number, py: number, ax: number, ay: number, bx: number, by: number): number {
  const dx = bx - ax;
  const dy = by - ay;
  const length2 = dx * dx + dy * dy;
  if (length2 === 0) return 0;
  const t = ((px - ax) * dx + (py - ay) * dy) / length2;
  return t < 0 ? 0 : t > 1 ? 1 : t;
}

/**
 * Signed distance of a point to an upright ellipse with half axes a (across) and b (up) centred at
 * the origin; negative inside. Outside: the nearest point by Newton steps on the angle.
 */
export function pointEllipseDistance(px: number, py: number, a: number, b: number): number {
  const x = Math.abs(px);
  const y = Math.abs(py);
  const inside = (x / a) ** 2 + (y / b) ** 2 < 1;
  // Curvature-based iteration (A. Chatfield's form of the evolute method); four rounds reach 1e-6 m here.
  let tx = Math.SQRT1_2;
  let ty = Math.SQRT1_2;
  for (let i = 0; i < 4; i++) {
    const ex = ((a * a - b * b) * tx * tx * tx) / a;
    const ey = ((b * b - a * a) * ty * ty * ty) / b;
    const rx = a * tx - ex;
    const ry = b * ty - ey;
    const qx = x - ex;
    const qy = y - ey;
    const r = norm(rx, ry);
    const q = norm(qx, qy) || 1;
    tx = Math.min(1, Math.max(0, ((qx * r) / q + ex) / a));
    ty = Math.min(1, Math.max(0, ((qy * r) / q + ey) / b));
    const t = norm(tx, ty) || 1;
    tx /= t;
    ty /= t;
  }
  const d = norm(x - a * tx, y - b * ty);
  return inside ? -d : d;
}

/** Signed distance of segment p-q to an upright ellipse centred at (cx, cy); negative where they overlap. */
export function segmentEllipseDistance(
  px: number,
  py: number,
  qx: number,
  qy: number,
  cx: number,
  cy: number,
  a: number,
  b: number,
): number {
  // In the scaled plane where the ellipse is a circle the nearest place decides whether they overlap.
  const t0 = closestOnSegment(cx / a, cy / b, px / a, py / b, qx / a, qy / b);
  const x0 = px + t0 * (qx - px) - cx;
  const y0 = py + t0 * (qy - py) - cy;
  if ((x0 / a) ** 2 + (y0 / b) ** 2 < 1) return pointEllipseDistance(x0, y0, a, b);
  if (t0 > 0 && t0 < 1) {
    // Inside the segment's length the distance is that of the line to its parallel tangent.
    const length = norm(qx - px, qy - py);
    const nx = -(qy - py) / length;
    const ny = (qx - px) / length;
    const support = norm(a * nx, b * ny);
    return Math.abs(nx * (px - cx) + ny * (py - cy)) - support;
  }
  return pointEllipseDistance(x0, y0, a, b);
}
