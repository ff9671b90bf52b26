/** Drags a scrolling box with the mouse; touch and keyboard scroll it by themselves. */
import { useRef, type PointerEvent, type RefObject } from "react";

/** Further than this is a drag, nearer a click, px. */
const CLICK = 4;

export function usePanning(box: RefObject<HTMLElement | null>) {
  const start = useRef<{ x: number; left: number; moved: boolean } | null>(null);
  return {
    onPointerDown: (event: PointerEvent) => {
      if (event.pointerType !== "mouse" || event.button !== 0 || !box.current) return;
      if ((event.target as Element).closest("[data-no-pan]")) return;
      start.current = { x: event.clientX, left: box.current.scrollLeft, moved: false };
    },
    onPointerMove: (event: PointerEvent) => {
      const from = start.current;
      if (!from || !box.current || event.buttons === 0) return;
      const way = event.clientX - from.x;
      if (!from.moved && Math.abs(way) < CLICK) return;
      from.moved = true;
      box.current.setAttribute("data-panning", "");
      box.current.scrollLeft = from.left - way;
    },
    onPointerUp: () => {
      box.current?.removeAttribute("data-panning");
      start.current = null;
    },
    onPointerLeave: () => {
      box.current?.removeAttribute("data-panning");
      start.current = null;
    },
  };
}
