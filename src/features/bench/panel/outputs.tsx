'use client';

import { useTrain } from '@/features/train/use-train';
import { add, div, equals, fraction, isZero, ONE, toNumber } from '@/core/rational';
import { inputTorque, outputTorque, type OutputLaw } from '@/core/solve';
import type { Train } from '@/core/train';
import { figure, wayText } from '@/core/units';
import type { Explained } from '@/features/train/analysis';
import { useLoads, useScale } from '@/features/train/input/loads';
import { exact, memberName, unbalancedText } from '@/core/words';
import { itemAt } from '@/core/required';

/**
 * With loads: what the input has to hold, or why they do not balance; then what comes out at each output for what is
 * put in: speed, way and torque in the units in force.
 */
export function Outputs({ position: { solved, unbalanced } }: { position: Explained }) {
  const train = useTrain((state) => state.train);
  const { speed, torque } = useScale();
  const { state, flow, network } = solved;

  const loads = useLoads();
  const put = inputTorque(solved);
  if (unbalanced)
    return (
      <p role="alert" className="mt-0.5 border-l-3 border-error pl-2 text-sm">
        {capital(unbalancedText(train, unbalanced))}.
      </p>
    );
  return (
    <dl className="mt-0.5" aria-label="What comes out">
      {loads && (
        <div className="flex flex-wrap items-baseline gap-x-4" data-testid="input-torque">
          <dt className="muted text-sm">Input torque for these loads</dt>
          <dd className="figure font-semibold text-primary">
            {put === null || torque.value === null ? 'open' : `${figure(toNumber(put) * torque.value)} ${torque.unit}`}
          </dd>
        </div>
      )}
      {flow.receivers.map((member) => {
        const turns = state.speeds.of(member);
        const carried = outputTorque(solved, member);
        return (
          <div key={member} className="flex flex-wrap items-baseline gap-x-4" data-testid="output">
            <dt className="muted text-sm">{memberName(train, itemAt(network.memberIds, member))}</dt>
            <dd className="figure font-semibold">
              {turns === null
                ? 'speed open'
                : speed.value === null
                  ? wayText(turns)
                  : `${figure(Math.abs(toNumber(turns)) * speed.value)} ${speed.unit}`}
            </dd>
            <dd className="figure font-semibold">
              {carried === null
                ? 'torque open'
                : torque.value === null
                  ? ''
                  : `${figure(Math.abs(toNumber(carried)) * torque.value)} ${torque.unit}`}
            </dd>
            {turns !== null && flow.receivers.length > 1 && <dd className="muted text-sm">{wayText(turns)}</dd>}
          </div>
        );
      })}
    </dl>
  );
}

/** The law that binds outputs: "left + right = 2 × 11/41 of drive shaft". */
export function lawText(train: Train, { terms, driver }: OutputLaw, turned: string): string {
  const name = (id: string) => memberName(train, id);
  const left = terms
    .map(({ member, factor }) => (equals(factor, ONE) ? name(member) : `${exact(factor)} × ${name(member)}`))
    .join(' + ')
    .replaceAll('+ −', '− ');
  const count = terms.map(({ factor }) => factor).reduce(add);
  const even = terms.every(({ factor }) => equals(factor, ONE)) && terms.length > 1;
  const right: string = even ? `${terms.length} × ${exact(div(driver, fraction(terms.length)))}` : exact(driver);
  return (
    `${left} = ${right} of ` +
    `${turned}${even || isZero(count) ? '' : `; all alike, each turns ${exact(div(driver, count))}`}`
  );
}

const capital = (text: string): string => (text[0] ?? '').toUpperCase() + text.slice(1);
