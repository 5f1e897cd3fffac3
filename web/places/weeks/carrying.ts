import { type CollisionDetection, KeyboardCode, type KeyboardCoordinateGetter, pointerWithin } from "@dnd-kit/core";

/** Under the pointer where there is one; by keys the cell that the carried block stands in. */
export const overCell: CollisionDetection = (of) => {
  if (of.pointerCoordinates) return pointerWithin(of);
  const { left, top } = of.collisionRect;
  return of.droppableContainers.flatMap((container) => {
    const rect = of.droppableRects.get(container.id);
    const inside =
      rect && left >= rect.left && left < rect.left + rect.width && top >= rect.top && top < rect.top + rect.height;
    return inside ? [{ id: container.id, data: { droppableContainer: container, value: 0 } }] : [];
  });
};

type Direction = readonly [x: number, y: number];
const DIRECTIONS: Readonly<Partial<Record<string, Direction>>> = {
  [KeyboardCode.Right]: [1, 0],
  [KeyboardCode.Left]: [-1, 0],
  [KeyboardCode.Down]: [0, 1],
  [KeyboardCode.Up]: [0, -1],
};

interface Box {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** The nearest cell in a direction, or none: next to it in its row, or above or below it in its column. */
export function nextCell<T extends Box>(from: Box, cells: readonly T[], [x, y]: Direction): T | undefined {
  const beside = (a: number, aSize: number, b: number, bSize: number) => a < b + bSize - 1 && b < a + aSize - 1;
  const ahead = cells.filter((c) =>
    x !== 0
      ? beside(c.top, c.height, from.top, from.height) && (c.left - from.left) * x > 1
      : beside(c.left, c.width, from.left, from.width) && (c.top - from.top) * y > 1,
  );
  const far = (c: Box) => Math.abs(x !== 0 ? c.left - from.left : c.top - from.top);
  return ahead.sort((a, b) => far(a) - far(b))[0];
}

/** One arrow, one cell, whatever its size. */
export const byCell: KeyboardCoordinateGetter = (event, { context, currentCoordinates }) => {
  const direction = DIRECTIONS[event.code];
  if (!direction) return undefined;
  event.preventDefault();
  const rects = [...context.droppableContainers.getEnabled()].flatMap((c) => {
    const rect = context.droppableRects.get(c.id);
    return rect ? [{ ...rect, left: rect.left, top: rect.top, width: rect.width, height: rect.height, id: c.id }] : [];
  });
  const here = rects.find((r) => r.id === context.over?.id);
  const at: Box = here ?? { left: currentCoordinates.x, top: currentCoordinates.y, width: 2, height: 2 };
  const to = nextCell(at, rects, direction);
  return to ? { x: to.left + INSET_PX, y: to.top + INSET_PX } : undefined;
};

const INSET_PX = 6;
