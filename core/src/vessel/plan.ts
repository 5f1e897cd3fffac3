/**
 * A corner of a vessel's plan, and the edge that leaves it.
 *
 * Seen from above, metres; x to the right, y from the front pane to the back. The edge to the next corner is straight,
 * or an arc that turns through `turn` radians, to the left of its direction if positive. Corners run anticlockwise.
 */
export interface PlanCorner {
  readonly x: number;
  readonly y: number;
  readonly turn?: number;
}

/** Chord, radius and turn of every edge of a closed plan. */
function edges(plan: readonly PlanCorner[]) {
  return plan.map((from, i) => {
    const to = plan[(i + 1) % plan.length] ?? from;
    const chord = Math.hypot(to.x - from.x, to.y - from.y);
    const turn = from.turn ?? 0;
    return { from, to, turn, radius: turn === 0 ? 0 : chord / (2 * Math.sin(Math.abs(turn) / 2)) };
  });
}

/**
 * Area inside a plan, m²: the polygon of its corners (shoelace) and the circular segment of every arc.
 *
 * @example
 * planAreaM2([{ x: 0, y: 0 }, { x: 1, y: 0 }, { x: 1, y: 0.5 }, { x: 0, y: 0.5 }]); // 0.5
 */
export function planAreaM2(plan: readonly PlanCorner[]): number {
  return edges(plan).reduce(
    (sum, { from, to, turn, radius }) =>
      sum + (from.x * to.y - to.x * from.y) / 2 + (radius ** 2 / 2) * (turn - Math.sin(turn)),
    0,
  );
}

/**
 * The plan as points for a drawing, m: corners, and arcs cut into `perTurn` parts of a full turn.
 *
 * @example
 * planPoints([{ x: 0, y: 0 }, { x: 1, y: 0 }, { x: 0, y: 1 }])[1]; // { "x": 1, "y": 0 }
 */
export function planPoints(plan: readonly PlanCorner[], perTurn = 96): { readonly x: number; readonly y: number }[] {
  return edges(plan).flatMap(({ from, to, turn, radius }) => {
    const parts = turn === 0 ? 1 : Math.max(24, Math.ceil((Math.abs(turn) / (2 * Math.PI)) * perTurn));
    // The arc's centre lies to the left of the chord for a left turn, nearer than the radius for less than half a turn.
    const chord = Math.hypot(to.x - from.x, to.y - from.y);
    const [ux, uy] = [(to.x - from.x) / chord, (to.y - from.y) / chord];
    const off = Math.sign(turn) * radius * Math.cos(turn / 2);
    const [cx, cy] = [(from.x + to.x) / 2 - uy * off, (from.y + to.y) / 2 + ux * off];
    const start = Math.atan2(from.y - cy, from.x - cx);
    return Array.from({ length: parts }, (_, i) => {
      if (i === 0) return { x: from.x, y: from.y };
      const angle = start + (turn * i) / parts;
      return { x: cx + radius * Math.cos(angle), y: cy + radius * Math.sin(angle) };
    });
  });
}
