import { releaseEffects, pathPairsIn, type TwoPaths } from '@/core/shifting';
import { abs, inverse, isZero, toFraction, toNumber, type Rational } from '@/core/rational';
import { figure } from '@/core/units';
import { couplerName, memberName } from '@/core/words';
import { analyseEngaged } from '@/features/train/analysis';
import type { Setup } from '../setup';
import { useNameOf } from '../use-shifting';
import { modelOf } from '@/core/model';
import { partsById } from '@/core/train';

/** Two paths that a differential adds up, found in each position: their shares, and what is left when one is let go. */
export function Paths({ setup }: { setup: Setup }) {
  const { train, scenario } = setup;
  const nameOf = useNameOf();
  const found = scenario.order.flatMap((id) => {
    const { engaged } = partsById(train).position(id);
    const { solved } = analyseEngaged(train, engaged, 'drive', false);
    return pathPairsIn(solved).map((paths) => ({ id, paths, left: releaseEffects(modelOf(train).open, solved) }));
  });
  return (
    <section aria-label="Two paths">
      <h3 className="font-semibold">Two paths</h3>
      {found.length === 0 && (
        <p className="muted">In no position of the order a differential adds up two paths from the input.</p>
      )}
      {found.map(({ id, paths, left }) => (
        <div key={`${id} ${paths.sum}`} className="mb-2">
          <p>
            In {nameOf(id)} {memberName(train, paths.sum)} adds up two paths, {ratioText(paths.turns)} in/out together
            {paths.recirculates ? '; they turn against each other, so power goes round' : ''}.
          </p>
          <table className="w-full">
            <thead>
              <tr className="muted text-left">
                <th className="font-normal">by</th>
                <th className="text-right font-normal">alone, in/out</th>
                <th className="text-right font-normal">share</th>
                <th className="text-right font-normal">a detector in it, released, loses</th>
              </tr>
            </thead>
            <tbody>
              {paths.paths.map(({ member, turns, share }) => (
                <tr key={member}>
                  <th className="text-left font-normal">{memberName(train, member)}</th>
                  <td className="figure text-right">{ratioText(turns)}</td>
                  <td className="figure text-right whitespace-nowrap" title={toFraction(share)}>
                    {percent(share)}
                  </td>
                  <td className="figure text-right whitespace-nowrap">{percent(share)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="muted">{otherSide(setup, paths)}</p>
          {left.length > 0 && (
            <ul aria-label={`What is left in ${nameOf(id)}`} className="list-disc pl-4">
              {left.map(({ coupler, status, ratio }) => (
                <li key={coupler}>
                  Let {couplerName(train, coupler)} go:{' '}
                  {ratio
                    ? `${figure(Math.abs(toNumber(ratio)))} : 1 in/out is left, for the other side is held`
                    : status === 'locked'
                      ? 'it locks'
                      : 'nothing is left: power runs out backwards'}
                  .
                </li>
              ))}
            </ul>
          )}
        </div>
      ))}
    </section>
  );
}

const ratioText = (turns: Rational): string => (isZero(turns) ? '—' : figure(toNumber(abs(inverse(turns)))));
const percent = (share: Rational): string => `${figure(toNumber(share) * 100)} %`;

/** With one path let go and its side held, the other drives alone; not held, nothing does. */
function otherSide({ train }: Setup, { paths: [p, q] }: TwoPaths): string {
  return (
    `Let ${memberName(train, p.member)} go and hold its side, by a worm or a brake: ` +
    `${ratioText(q.turns)} in/out is left; let ${memberName(train, q.member)} go: ` +
    `${ratioText(p.turns)}. Not held, nothing is left: power runs out backwards.`
  );
}
