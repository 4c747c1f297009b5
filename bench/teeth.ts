import { readWritten, search, type SearchAnswer } from '../src/core/tooth-search';
import { refusalText } from '../src/core/result';

const LEAST = 12;
const MOST = 100;
const TARGETS = ['9.87', '1440', '3.14159265358979'];
const LIMITS_MS: Readonly<Record<number, number>> = { 2: 50, 3: 1000, 4: 4_000 };

/**
 * How long it takes to find the best chains of wheels of 12 to 100 teeth and prove it, against nested loops where those
 * can finish.
 */
export function benchTeeth(): void {
  console.log(`\n== chains of wheels of ${LEAST} to ${MOST} teeth, the best 20, proven`);
  // The first search also warms the machine's own compiler up.
  find('2.5', 2);
  for (const stages of [2, 3, 4])
    for (const target of TARGETS) {
      const before = process.memoryUsage().rss;
      const start = performance.now();
      let first: number | null = null;
      const { findings, proven, examined } = find(target, stages, ({ findings: so }) => {
        if (so.length > 0) first ??= performance.now() - start;
      });
      const took = performance.now() - start;
      const grown = (process.memoryUsage().rss - before) / 2 ** 20;
      console.log(
        `${stages} stages for ${target}: ${took.toFixed(0)} ms (limit ${LIMITS_MS[stages]}), first answers after ` +
          `${(first ?? took).toFixed(0)} ms, ${proven ? 'proven' : 'not proven'} over ${examined.toExponential(1)} ` +
          `chains, error ${findings[0]!.error.toExponential(1)}, ${grown.toFixed(0)} MB more`,
      );
    }
  benchDoublePinion();
  for (const target of TARGETS) {
    let start = performance.now();
    const least = nestedLoops(Number(target));
    const loops = performance.now() - start;
    start = performance.now();
    const [best] = find(target, 2).findings;
    const sweep = performance.now() - start;
    console.log(
      `two stages for ${target}: nested loops ${loops.toFixed(0)} ms, ${(loops / sweep).toFixed(0)} ` +
        `times as long; the same error: ${Math.abs(best!.error - least) < 1e-12}`,
    );
  }
}

/** A double-pinion set among wheels of 12 to 60: 44 million sets. */
function benchDoublePinion(): void {
  const span = [12, 60];
  const read = readWritten({
    format: 'tin-wheel/search',
    version: 1,
    target: '2.6',
    planetary: {
      shape: 'double-pinion',
      input: 'sun',
      output: 'ring',
      held: 'carrier',
      sun: span,
      planet: span,
      second: span,
      ring: [12, 200],
      copies: [3, 4],
    },
  });
  if (!read.ok) throw new Error(refusalText(read));
  const start = performance.now();
  const { proven, examined } = search(read.value, null);
  console.log(
    `double pinions of 12 to 60: ${(performance.now() - start).toFixed(0)} ms (limit 13 ` +
      `000), ${proven ? 'proven' : 'not proven'} over ${examined} sets`,
  );
}

function find(target: string, stages: number, tell?: (so: SearchAnswer) => void): SearchAnswer {
  const read = readWritten({
    format: 'tin-wheel/search',
    version: 1,
    target,
    stages,
    teeth: { min: LEAST, max: MOST },
  });
  if (!read.ok) throw new Error(refusalText(read));
  const start = performance.now();
  return search(read.value, null, { ...(tell && { tell }), elapsedMs: () => performance.now() - start });
}

/** Every pair in both stages; the smallest |ratio/target − 1|. */
function nestedLoops(target: number): number {
  let least = Infinity;
  for (let a = LEAST; a <= MOST; a++)
    for (let b = LEAST; b <= MOST; b++)
      for (let c = a; c <= MOST; c++)
        for (let d = LEAST; d <= MOST; d++) {
          const error = Math.abs((b * d) / (a * c) / target - 1);
          if (error < least) least = error;
        }
  return least;
}
