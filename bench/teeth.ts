import { parseRational, toNumber } from '../src/core/rational';
import { errorOf, searchChains, type ChainQuestion } from '../src/core/tooth-search';

const LEAST = 12;
const MOST = 100;
const TARGETS = ['9.87', '1440', '3.14159265358979'];
const LIMITS_MS: Readonly<Record<number, number>> = { 2: 50, 3: 1000, 4: 10_000 };

/** How long it takes to find the best chains of wheels of 12 to 100 teeth and prove it, against nested loops where those can finish. */
export function benchTeeth(): void {
  console.log(`\n== chains of wheels of ${LEAST} to ${MOST} teeth, the best 20, proven`);
  // The first search also warms the machine's own compiler up.
  search('2.5', 2);
  for (const stages of [2, 3, 4])
    for (const target of TARGETS) {
      const before = process.memoryUsage().rss;
      const start = performance.now();
      const { results, proven, examined } = search(target, stages);
      const took = performance.now() - start;
      const grown = (process.memoryUsage().rss - before) / 2 ** 20;
      console.log(
        `${stages} stages for ${target}: ${took.toFixed(0)} ms (limit ${LIMITS_MS[stages]}), ${proven ? 'proven' : 'not proven'} over ${examined.toExponential(1)} chains, error ${errorOf(results[0]!.ratio, parseRational(target)!).toExponential(1)}, ${grown.toFixed(0)} MB more`,
      );
    }
  for (const target of TARGETS) {
    const wanted = parseRational(target)!;
    let start = performance.now();
    const least = nestedLoops(toNumber(wanted));
    const loops = performance.now() - start;
    start = performance.now();
    const [best] = search(target, 2).results;
    const sweep = performance.now() - start;
    console.log(
      `two stages for ${target}: nested loops ${loops.toFixed(0)} ms, ${(loops / sweep).toFixed(0)} times as long; the same error: ${Math.abs(errorOf(best!.ratio, wanted) - least) < 1e-12}`,
    );
  }
}

const search = (target: string, stages: number) =>
  searchChains({ ...QUESTION, target: parseRational(target)!, stages });

const QUESTION: Omit<ChainQuestion, 'target' | 'stages'> = {
  wheels: Array.from({ length: MOST - LEAST + 1 }, (_, i) => LEAST + i),
  coprime: 'any',
  equalCentres: false,
  same: false,
  maxError: null,
  limit: 20,
};

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
