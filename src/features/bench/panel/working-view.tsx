'use client';

import { useExplained } from '@/features/train/use-explained';
import { useTrain } from '@/features/train/use-train';
import { abs, inverse, neg, sign, toFraction, type Rational } from '@/core/rational';
import type { Train } from '@/core/train';
import type { CrossCheck, SetSchool, Stage } from '@/core/working';
import { usePreferences } from '@/ui/preferences';
import { memberName } from '@/core/words';
import { OneWayLines } from './one-way-lines';
import { SetWorking, StepEquations } from './step-equations';
import { Over } from './written';
import { itemAt, required } from '@/core/required';

/**
 * The ratio worked out on paper: the speeds one after the other, the running product where there is a chain, and the
 * ways that check it.
 */
export function WorkingView() {
  const train = useTrain((state) => state.train);
  const convention = usePreferences((state) => state.convention);
  const { working, backward } = useExplained();
  const turned = (ratio: Rational) => (convention === 'in/out' ? ratio : inverse(ratio));
  const chained = working.stages !== null && working.stages.length > 0;
  return (
    <div className="mt-2.5">
      {backward && <p className="muted mb-1 text-sm">Worked from the output, which is turned.</p>}
      {working.steps.some(({ kind }) => kind === 'set' || kind === 'simultaneous') && <SchoolChoice />}
      {chained ? (
        <RunningProduct
          stages={required(working.stages)}
          train={train}
          turned={turned}
          outIn={convention === 'out/in'}
        />
      ) : (
        <StepEquations steps={working.steps} train={train} />
      )}
      <OneWayLines />
      {working.checks.length > 0 && (
        <CrossChecks
          checks={working.checks.map(({ way, value }) => ({
            way: convention === 'in/out' ? way : TURNED_OVER[way],
            value: turned(value),
          }))}
        />
      )}
    </div>
  );
}

const SCHOOLS: Record<SetSchool, { label: string; means: string }> = {
  formula: { label: 'formula', means: 'The relative-motion equation of a set, with its values in place.' },
  table: {
    label: 'table',
    means: 'All turned together with the carrier, then the carrier held and one member turned; the two lines added.',
  },
};

/** How planetary sets are worked: two schools. */
function SchoolChoice() {
  const school = usePreferences((state) => state.setSchool);
  const set = usePreferences((state) => state.set);
  return (
    <fieldset className="mb-2 flex flex-wrap items-center gap-x-3 text-sm">
      <legend className="sr-only">How planetary sets are worked</legend>
      <span className="muted">Sets worked by</span>
      {(Object.keys(SCHOOLS) as SetSchool[]).map((kind) => (
        <label
          key={kind}
          className={
            'muted cursor-pointer border-b-2 border-transparent has-checked:border-primary ' +
            'has-checked:text-base-content has-focus-visible:outline-2 has-focus-visible:outline-accent'
          }
        >
          <input
            type="radio"
            name="set-school"
            className="sr-only"
            checked={school === kind}
            onChange={() => set({ setSchool: kind })}
          />
          {SCHOOLS[kind].label}
        </label>
      ))}
      <p className="muted basis-full text-xs">{SCHOOLS[school].means}</p>
    </fieldset>
  );
}

function RunningProduct({
  stages,
  train,
  turned,
  outIn,
}: {
  stages: readonly Stage[];
  train: Train;
  turned: (ratio: Rational) => Rational;
  outIn: boolean;
}) {
  return (
    <>
      <table className="w-full text-sm [&_td]:py-1.5 [&_th]:py-1 [&_th]:font-normal" aria-label="Running product">
        <thead className="muted text-left">
          <tr>
            <th scope="col">Stage</th>
            <th scope="col" className="text-center">
              {outIn ? 'driver / driven' : 'driven / driver'}
            </th>
            <th scope="col" className="text-right">
              running product
            </th>
          </tr>
        </thead>
        <tbody>
          {stages.map((stage, i) => (
            <tr key={i} className="border-t border-base-300">
              <td>{stageName(stage, train)}</td>
              <td className="text-center">
                <Factor stage={stage} turnedOver={outIn} />
              </td>
              <td className="figure text-right" data-testid="running-product">
                {signed(turned(stage.running))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <StageSets stages={stages} train={train} />
      <p className="muted mt-1 text-xs">
        A minus sign reverses the direction. A gear that is driven in one stage and driver in the next cancels: an
        idler.
      </p>
    </>
  );
}

/** The planetary stages, each worked out. */
function StageSets({ stages, train }: { stages: readonly Stage[]; train: Train }) {
  const sets = stages.flatMap(({ step }) => (step.kind === 'set' ? [step] : []));
  if (sets.length === 0) return null;
  return (
    <section aria-label="Sets worked out" className="mt-3 text-sm">
      <h3 className="font-semibold">{sets.length === 1 ? 'The set worked out' : 'The sets worked out'}</h3>
      {sets.map((step) => (
        <div key={step.member} className="border-t border-base-300 py-1.5">
          <SetWorking step={step} train={train} />
        </div>
      ))}
    </section>
  );
}

/** What each cross-check is called when ratios are read out/in. */
const TURNED_OVER: Record<CrossCheck['way'], string> = {
  'product of stages': 'product of stages',
  'speed in over speed out': 'speed out over speed in',
  'torque out over torque in': 'torque in over torque out',
};

const HOW_MANY = ['', 'one way', 'another way', 'three ways'];

function CrossChecks({ checks }: { checks: { way: string; value: Rational }[] }) {
  const agree = checks.every(({ value }) => toFraction(value) === toFraction(itemAt(checks, 0).value));
  return (
    <section className="mt-3 text-sm" aria-label="Cross-checks">
      <h3 className="font-semibold">The same ratio {HOW_MANY[checks.length]}</h3>
      <dl className="mt-1">
        {checks.map(({ way, value }) => (
          <div key={way} className="flex justify-between border-t border-base-300 py-1">
            <dt>{way}</dt>
            <dd className="figure">{signed(value)}</dd>
          </div>
        ))}
      </dl>
      {checks.length > 1 && (
        <p className={agree ? 'muted' : 'text-error'}>{agree ? 'They agree.' : 'They do not agree.'}</p>
      )}
    </section>
  );
}

function stageName({ step }: Stage, train: Train): string {
  const name = (id: string) => memberName(train, id);
  if (step.kind === 'pair') return `${name(step.from)} to ${name(step.member)}`;
  if (step.kind === 'joined') return `${name(step.from)} with ${name(step.member)}`;
  return step.kind === 'set'
    ? `set on ${name(step.arm)}, to ${name(step.member)}`
    : step.kind === 'simultaneous'
      ? ''
      : name(step.member);
}

/** One stage as a fraction of tooth counts. */
function Factor({ stage: { step, ratio }, turnedOver }: { stage: Stage; turnedOver: boolean }) {
  if (step.kind !== 'pair') return <span className="figure">{signed(turnedOver ? inverse(ratio) : ratio)}</span>;
  const [top, bottom] = turnedOver ? [step.fromTeeth, step.toTeeth] : [step.toTeeth, step.fromTeeth];
  return <Over minus={step.opposite} top={String(top)} bottom={String(bottom)} />;
}

const signed = (value: Rational): string => (sign(value) < 0 ? `−${toFraction(neg(value))}` : toFraction(abs(value)));
