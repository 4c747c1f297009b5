import clsx from 'clsx';
import { toNumber } from '@/core/rational';
import { readWanted, stageChoices, wheelsWithin } from '@/core/tooth-search';
import { figure, readFigure } from '@/core/units';
import { teethOf, wantedOf } from './form';
import { useAsk, useTeethForm } from './use-teeth';
import { itemAt } from '@/core/required';

/** The stages that are searched, of those that are told. */
const SEARCHED = 5;

/** How many stages? What each number would mean, before anything is searched; people choose here. */
export function StageQuestion() {
  const { wanted, wheels, stages, efficiency } = useTeethForm();
  const ask = useAsk();
  const read = readWanted(wantedOf(wanted));
  const found = wheelsWithin(teethOf(wheels));
  const kept = readFigure(efficiency, '%');
  if (!read.ok || !found.ok) return null;
  const pinion = itemAt(found.value.wheels, 0);
  const largest = itemAt(found.value.wheels, -1);
  const rows = stageChoices(toNumber(read.value.ratio), pinion, kept > 0 && kept <= 100 ? kept / 100 : 1);
  const toggle = (count: number) => {
    const [least, most] = stages;
    const inside = count >= least && count <= most;
    // They stay next to each other: one more widens the span, one less ends it there.
    if (!inside) return ask({ stages: [Math.min(count, least), Math.max(count, most)] });
    if (least !== most) ask({ stages: count === least ? [least + 1, most] : [least, count - 1] });
  };
  return (
    <section aria-label="How many stages" className="border-b border-base-content px-4 py-2 text-sm">
      <table className="w-full">
        <caption className="sr-only">What each number of stages means</caption>
        <thead className="muted">
          <tr className="[&_th]:font-normal">
            <th scope="col" className="text-left">
              Stages
            </th>
            <th scope="col" className="text-right">
              Equal ratio of each
            </th>
            <th scope="col" className="text-right">
              Largest wheel on a pinion of {pinion}
            </th>
            <th scope="col" className="text-right">
              Meshes
            </th>
            <th scope="col" className="text-right">
              Power kept at{' '}
              <input
                className="input input-xs figure w-12"
                aria-label="Efficiency of a mesh, %"
                value={efficiency}
                onChange={(event) => ask({ efficiency: event.target.value })}
              />{' '}
              % a mesh
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ stages: count, perStage, largestWheel, meshes, kept: share }) => {
            const asked = count >= stages[0] && count <= stages[1];
            return (
              <tr key={count} className={clsx('border-t border-base-300/60', asked && 'bg-base-200 font-semibold')}>
                <th scope="row" className="text-left font-[inherit]">
                  <label className="flex cursor-pointer items-center gap-2">
                    {count <= SEARCHED ? (
                      <input
                        type="checkbox"
                        className="checkbox checkbox-xs"
                        aria-label={`Search ${count} ${count === 1 ? 'stage' : 'stages'}`}
                        checked={asked}
                        onChange={() => toggle(count)}
                      />
                    ) : (
                      <span className="w-4" />
                    )}
                    {count}
                  </label>
                </th>
                <td className="figure text-right">{figure(perStage)}</td>
                <td
                  className={clsx('figure text-right', largestWheel > largest && 'text-error')}
                  title={largestWheel > largest ? `More than ${largest}, the largest wheel allowed` : undefined}
                >
                  {largestWheel.toLocaleString('en').replaceAll(',', ' ')}
                  {largestWheel > largest && <span className="font-normal"> too large</span>}
                </td>
                <td className="figure text-right">{meshes}</td>
                <td className="figure text-right">{(100 * share).toFixed(1)} %</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
