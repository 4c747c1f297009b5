import { useEffect, useRef } from 'react';

const CLOSING_MS = 260;

/**
 * How far each coupler is closed, from 0 to 1, while it closes or lets go; at once where no movement is wanted.
 * @param redraw called at every step of it
 */
export function useClosing(holding: ReadonlySet<string>, still: boolean, redraw: () => void): (id: string) => number {
  const closed = useRef(new Map<string, number>());
  const latest = useRef(redraw);
  useEffect(() => {
    latest.current = redraw;
  });
  useEffect(() => {
    const { current } = closed;
    const isNew = current.size === 0;
    let frame = 0;
    let last = performance.now();
    const step = (now: number) => {
      const by = still || isNew ? 1 : (now - last) / CLOSING_MS;
      last = now;
      let moves = false;
      for (const id of new Set([...current.keys(), ...holding])) {
        const [is, wanted] = [current.get(id) ?? 0, holding.has(id) ? 1 : 0];
        const next = is + Math.sign(wanted - is) * Math.min(by, Math.abs(wanted - is));
        current.set(id, next);
        moves ||= next !== wanted;
      }
      latest.current();
      if (moves) frame = requestAnimationFrame(step);
    };
    step(last);
    return () => cancelAnimationFrame(frame);
  }, [holding, still]);
  return (id) => closed.current.get(id) ?? 0;
}
