/**
 * How far what stands at a place along the axis moves when its sets are drawn apart: each set as a whole farther than
 * the one before, and what joins two of them is drawn out between.
 * @param by from the first set to the last, mm
 */
export function drawnApart(figures: readonly (readonly [number, number])[], by: number): (z: number) => number {
  const sets = [...figures].sort(([a], [b]) => a - b);
  if (by === 0 || sets.length < 2) return () => 0;
  const step = by / (sets.length - 1);
  return (z) => {
    let moved = 0;
    for (let i = 1; i < sets.length; i++) {
      const [, from] = sets[i - 1] ?? [0, 0];
      const [to] = sets[i] ?? [0, 0];
      if (z >= to) moved += step;
      else if (z > from) moved += (step * (z - from)) / (to - from);
    }
    return moved;
  };
}
