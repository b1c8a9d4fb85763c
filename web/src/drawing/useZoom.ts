/** Larger by two fingers or a double tap, and back: for a drawing that is held in one hand. */
import { useRef, useState, type PointerEvent } from "react";

const MOST = 3;

export function useZoom() {
  const [scale, setScale] = useState(1);
  const fingers = useRef(new Map<number, { x: number; y: number }>());
  const began = useRef<{ apart: number; scale: number } | null>(null);
  const apart = () => {
    const [one, two] = [...fingers.current.values()];
    return one && two ? Math.hypot(one.x - two.x, one.y - two.y) : 0;
  };
  const put = (event: PointerEvent) =>
    fingers.current.set(event.pointerId, { x: event.clientX, y: event.clientY });
  const lift = (event: PointerEvent) => {
    fingers.current.delete(event.pointerId);
    began.current = null;
  };
  return {
    frame: {
      overflow: "auto",
      style: { touchAction: scale > 1 ? "pan-x pan-y" : "pan-y" },
      onDoubleClick: () => setScale(scale > 1 ? 1 : 2),
      onPointerDown: (event: PointerEvent) => {
        put(event);
        began.current = apart() > 0 ? { apart: apart(), scale } : null;
      },
      onPointerMove: (event: PointerEvent) => {
        if (!fingers.current.has(event.pointerId)) return;
        put(event);
        if (began.current && apart() > 0) {
          setScale(Math.min(MOST, Math.max(1, (began.current.scale * apart()) / began.current.apart)));
        }
      },
      onPointerUp: lift,
      onPointerCancel: lift,
    },
    inner: { style: { width: `${scale * 100}%` } },
  };
}
