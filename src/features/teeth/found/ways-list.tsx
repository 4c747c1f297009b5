import clsx from 'clsx';
import { countsText, type Chain, type ResultFilter, type WaysToRatio } from '@/core/tooth-search';
import { figure } from '@/core/units';
import { wayNotes, waysWithin } from './filter';

interface Props {
  readonly ways: WaysToRatio;
  readonly chain: Chain;
  readonly filter: ResultFilter;
  readonly onChoose: (chain: Chain) => void;
}

const textOf = (chain: Chain): string => countsText({ made: { kind: 'chain', chain } });

/** Every way to make the chosen ratio of these wheels, the fewest teeth first. */
export function WaysList({ ways: { ways, count, cut }, chain, filter, onChoose }: Props) {
  const shown = waysWithin(ways, filter);
  if (count < 2) return null;
  return (
    <section aria-label="Ways to make this ratio" className="mt-1">
      <h4>
        {count} {cut ? 'ways to pair these gears' : 'ways to make this ratio'}
        {shown.length < count && <span className="muted">, {shown.length} shown</span>}
      </h4>
      <ul className="max-h-40 overflow-auto border border-base-300" tabIndex={-1}>
        {shown.map((one) => {
          const text = textOf(one);
          const chosen = text === textOf(chain);
          return (
            <li key={text}>
              <button
                type="button"
                aria-pressed={chosen}
                className={clsx('flex w-full gap-2 px-1.5 py-0.5 text-left hover:bg-base-200', chosen && 'bg-base-200')}
                onClick={() => onChoose(one)}
              >
                <span className="figure flex-1">{text}</span>
                <span className="muted">{wayNotes(one) || one.map(([a, b]) => figure(b / a)).join(', ')}</span>
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
