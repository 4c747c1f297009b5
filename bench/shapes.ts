import { refusalText } from '@/core/result';
import { gearOutline, readWheel, stlBytes, wheelSolid } from '../src/core/shapes';

const ROUNDS = 5;

/** An outline of 200 teeth (limit 20 ms) and a herringbone wheel of 60 as STL (limit 300 ms); the worst of a few. */
export function benchShapes(): void {
  console.log('\n== shapes');
  const worst = (work: () => unknown): string => {
    const times = Array.from({ length: ROUNDS }, () => {
      const start = performance.now();
      work();
      return performance.now() - start;
    });
    return `${Math.max(...times).toFixed(1)} ms`;
  };
  console.log(`outline of 200 teeth: ${worst(() => gearOutline({ teeth: 200, moduleMm: 2 }))} (limit 20 ms)`);
  const herringbone = () => {
    const read = readWheel({ teeth: 60, moduleMm: 2, widthMm: 20, helixDegrees: 25, herringbone: true, boreMm: 10 });
    if (!read.ok) throw new Error(refusalText(read));
    return stlBytes(wheelSolid(read.value), 'bench');
  };
  console.log(`herringbone wheel of 60 teeth as STL: ${worst(herringbone)} (limit 300 ms)`);
}
