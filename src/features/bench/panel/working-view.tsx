'use client';

import { abs, inverse, neg, sign, toFraction, type Rational } from '@/core/rational';
import type { Train } from '@/core/train';
import type { CrossCheck, Stage } from '@/core/working';
import { usePreferences } from '@/ui/preferences';
import { usePosition } from '../analysis';
import { useBench } from '../store';

/** The ratio worked out stage by stage with its running product, and the ways that check it. */
export function WorkingView() {
  const train = useBench((state) => state.train);
  const convention = usePreferences((state) => state.convention);
  const { working } = usePosition();
  const turned = (ratio: Rational) => (convention === 'in/out' ? ratio : inverse(ratio));
  return (
    <div className="mt-3">
      {working.stages ? (
        <table className="w-full text-sm [&_td]:py-1.5 [&_th]:py-1 [&_th]:font-normal" aria-label="Running product">
          <thead className="muted text-left">
            <tr>
              <th scope="col">Stage</th>
              <th scope="col" className="text-center">
                {convention === 'in/out' ? 'driven / driver' : 'driver / driven'}
              </th>
              <th scope="col" className="text-right">
                running product
              </th>
            </tr>
          </thead>
          <tbody>
            {working.stages.map((stage, i) => (
              <tr key={i} className="border-t border-base-300">
                <td>{stageName(stage, train)}</td>
                <td className="text-center">
                  <Factor stage={stage} turnedOver={convention === 'out/in'} />
                </td>
                <td className="figure text-right" data-testid="running-product">
                  {signed(turned(stage.running))}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <p className="muted">There is no single chain of pairs here; the trace shows how the speeds follow.</p>
      )}
      {working.stages && <p className="muted mt-1 text-xs">A minus sign turns the direction. A gear that is driven in one stage and driver in the next cancels: an idler.</p>}
      {working.checks.length > 0 && <CrossChecks checks={working.checks.map(({ way, value }) => ({ way: convention === 'in/out' ? way : TURNED_OVER[way], value: turned(value) }))} />}
    </div>
  );
}

/** What each cross-check is called when ratios are read out/in. */
const TURNED_OVER: Record<CrossCheck['way'], string> = {
  'product of stages': 'product of stages',
  'speed in over speed out': 'speed out over speed in',
  'torque out over torque in': 'torque in over torque out',
};

function CrossChecks({ checks }: { checks: { way: string; value: Rational }[] }) {
  const agree = checks.every(({ value }) => toFraction(value) === toFraction(checks[0]!.value));
  return (
    <section className="mt-4 text-sm" aria-label="Cross-checks">
      <h3 className="font-semibold">The same ratio {checks.length === 3 ? 'three ways' : 'another way'}</h3>
      <dl className="mt-1">
        {checks.map(({ way, value }) => (
          <div key={way} className="flex justify-between border-t border-base-300 py-1">
            <dt>{way}</dt>
            <dd className="figure">{signed(value)}</dd>
          </div>
        ))}
      </dl>
      <p className={agree ? 'muted' : 'text-error'}>{agree ? 'They agree.' : 'They do not agree.'}</p>
    </section>
  );
}

function stageName({ step }: Stage, train: Train): string {
  const name = (id: string) => train.members.find((member) => member.id === id)?.name ?? id;
  if (step.kind === 'pair') return `${name(step.from)} to ${name(step.member)}`;
  if (step.kind === 'joined') return `${name(step.from)} with ${name(step.member)}`;
  return step.kind === 'set' ? `set on ${name(step.arm)}` : '';
}

/** One stage as a fraction of tooth counts. */
function Factor({ stage: { step, ratio }, turnedOver }: { stage: Stage; turnedOver: boolean }) {
  if (step.kind !== 'pair') return <span className="figure">{signed(turnedOver ? inverse(ratio) : ratio)}</span>;
  const [top, bottom] = turnedOver ? [step.fromTeeth, step.toTeeth] : [step.toTeeth, step.fromTeeth];
  return (
    <span className="figure inline-flex items-center gap-1.5">
      {step.opposite && '−'}
      <span className="inline-flex flex-col text-center leading-tight">
        <span className="border-b border-base-content px-1">{top}</span>
        <span className="px-1">{bottom}</span>
      </span>
    </span>
  );
}

const signed = (value: Rational): string => (sign(value) < 0 ? `−${toFraction(neg(value))}` : toFraction(abs(value)));
