import { toFraction } from '@/core/rational';
import { refusalText } from '@/core/result';
import { CENTRAL, readSchemeSearch, searchSchemes, type SchemeResult } from '@/core/schemes';
import { itemAt } from '@/core/required';
import { readText } from './read-text';
import { UsageError } from './usage-error';

const MOST_BYTES = 1_000_000;
/** Where the search says nothing else: what takes longer is cut short, and says so. */
const USUAL_S = 300;

/** A search for schemes answered as JSON, best first; ratios exact. @throws UsageError */
export function schemesJson(file: string): unknown {
  const read = readSchemeSearch(readText(file, MOST_BYTES, 'a search for schemes'));
  if (!read.ok) throw new UsageError(`${file}: ${refusalText(read)}`);
  const { question, timeS } = read.value;
  const limitS = timeS ?? USUAL_S;
  const start = performance.now();
  const { results, schemes, proven, walked, of, between, cut } = searchSchemes(question, {
    // Whoever says how long it may take gets the best of that time.
    goesOn: timeS !== null,
    due: () => false,
    tell: () => undefined,
    over: () => performance.now() - start > 1000 * limitS,
  });
  const [best] = results;
  return {
    proven,
    schemes,
    engaged: best?.found.selection.forward[0]?.length ?? question.engaged,
    walked,
    of,
    ...(between > 0 && { between }),
    ...(cut && { cut: `The ${limitS} s that were allowed are over: best found.` }),
    results: results.map((result) => asJson(result)),
    ...(best && { train: best.train }),
  };
}

function asJson({ found: { scheme, selection }, sets, figures }: SchemeResult): unknown {
  const name = (central: number) => `${itemAt(sets, Math.floor(central / 3)).id}.${itemAt(CENTRAL, central % 3)}`;
  return {
    members: scheme.members.map((joined) => joined.map(name)),
    frame: scheme.frame.map(name),
    input: scheme.input,
    output: scheme.output,
    elements: selection.elements.map(({ type, joins }) => ({ type, joins })),
    positions: selection.forward.map((engaged, i) => ({ engaged, ratio: toFraction(itemAt(figures.forward, i)) })),
    reverse:
      selection.reverse && figures.reverse ? [{ engaged: selection.reverse, ratio: toFraction(figures.reverse) }] : [],
    worst: figures.worst,
    single: selection.single,
    sets,
    spread: figures.spread,
    steps: figures.steps,
    fastestMember: figures.fastestMember,
    fastestPlanet: figures.fastestPlanet,
    elementTorque: figures.elementTorque,
    recirculation: figures.recirculation,
    efficiency: figures.efficiency,
    others: figures.others.map(toFraction),
  };
}
