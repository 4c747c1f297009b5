'use client';

import { sub } from '@/core/rational';
import type { Train } from '@/core/train';
import { blockText, speedInSet, tableOf, type WorkingStep } from '@/core/working';
import { usePreferences } from '@/ui/preferences';
import { bracketed, exact, couplerName, memberName } from '@/core/words';
import { Together } from './together';
import { Over, Relation, WrittenRow, TeethFigure } from './written';

/** The speeds worked out one after the other, as in a textbook: ω is turns per turn put in. */
export function StepEquations({ steps, train }: { steps: readonly WorkingStep[]; train: Train }) {
  if (steps.length === 0) return <p className="muted">Nothing turns, so there is nothing to work out.</p>;
  return (
    <>
      <ol className="text-sm" aria-label="Working">
        {steps.map((step, i) => (
          <li key={i} className="border-t border-base-300 py-1.5">
            <Equation step={step} train={train} />
          </li>
        ))}
      </ol>
      <p className="muted text-xs">
        ω is turns per input turn. On a carrier, speeds count from the carrier: relative motion.
      </p>
    </>
  );
}

function Equation({ step, train }: { step: WorkingStep; train: Train }) {
  const omega = (id: string) => `ω ${memberName(train, id)}`;
  switch (step.kind) {
    case 'input':
      return (
        <WrittenRow>
          {omega(step.member)} = {exact(step.speed)}
        </WrittenRow>
      );
    case 'held':
      return <WrittenRow note={`held by ${couplerName(train, step.by)}`}>{omega(step.member)} = 0</WrittenRow>;
    case 'joined':
      return (
        <WrittenRow note={`joined by ${couplerName(train, step.coupler)}`}>
          {omega(step.member)} = {omega(step.from)} = {exact(step.speed)}
        </WrittenRow>
      );
    case 'pair':
      return (
        <WrittenRow>
          {omega(step.member)} = {exact(step.fromSpeed)} ×{' '}
          <Over minus={step.opposite} top={String(step.fromTeeth)} bottom={String(step.toTeeth)} /> ={' '}
          {exact(step.speed)}
        </WrittenRow>
      );
    case 'set':
      return <SetWorking step={step} train={train} />;
    case 'twin':
      return (
        <WrittenRow note={`same speed seen from ${memberName(train, step.arm)}, so the same whatever it does`}>
          {omega(step.member)} = {omega(step.as)} = {exact(step.speed)}
        </WrittenRow>
      );
    case 'block':
      return (
        <WrittenRow note={`on ${memberName(train, step.arm)}: ${blockText(step, (id) => memberName(train, id))}`}>
          {omega(step.member)} = {omega(step.as)} = {exact(step.speed)}
        </WrittenRow>
      );
    case 'simultaneous':
      return <Together step={step} train={train} />;
  }
}

type SetStep = Extract<WorkingStep, { kind: 'set' }>;

/** A planetary set worked out, in the school chosen. */
export function SetWorking({ step, train }: { step: SetStep; train: Train }) {
  const school = usePreferences((state) => state.setSchool);
  return school === 'formula' ? <ByFormula step={step} train={train} /> : <ByTable step={step} train={train} />;
}

/** The relation with its tooth counts, the values put in, the result. */
function ByFormula({ step, train }: { step: SetStep; train: Train }) {
  const omega = (id: string) => `ω ${memberName(train, id)}`;
  const value = (id: string) => {
    const found = step.known.find(({ member }) => member === id);
    return found ? bracketed(exact(found.speed)) : omega(id);
  };
  return (
    <>
      <Relation equation={step} omega={omega} />
      <WrittenRow>
        <Over top={`${value(step.x)} − ${value(step.arm)}`} bottom={`${value(step.y)} − ${value(step.arm)}`} /> ={' '}
        {exact(step.factor)}
      </WrittenRow>
      <WrittenRow>
        {omega(step.member)} = <strong>{exact(step.speed)}</strong>
      </WrittenRow>
    </>
  );
}

/** All turned together with the carrier, then the carrier held and one member turned; the two lines added. */
function ByTable({ step, train }: { step: SetStep; train: Train }) {
  const name = (id: string) => memberName(train, id);
  const { together, back } = tableOf(step);
  const columns = [step.arm, step.y, step.x];
  const speedOf = (id: string) => speedInSet(step, id);
  const rows = [
    { says: `all together, ${exact(together)} turns`, cells: columns.map(() => together) },
    {
      says: `${name(step.arm)} held, ${name(step.y)} ${exact(back)}`,
      cells: columns.map((id) => sub(speedOf(id), together)),
    },
  ];
  return (
    <>
      <p className="muted text-xs">
        Seen from {name(step.arm)}, one turn of {name(step.y)} gives <TeethFigure teeth={step.teeth} /> ={' '}
        <span className="figure">{exact(step.factor)}</span> of {name(step.x)}. Known:{' '}
        {step.known.map(({ member, speed }) => `${name(member)} ${exact(speed)}`).join(', ')}.
      </p>
      <table
        className="w-full [&_td:not(:first-child)]:text-right [&_th:not(:first-child)]:text-right"
        aria-label={`Table of the set on ${name(step.arm)}`}
      >
        <thead>
          <tr className="muted align-bottom text-xs">
            <th />
            {columns.map((id) => (
              <th key={id} scope="col" className="pl-2 font-normal">
                {name(id)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ says, cells }) => (
            <tr key={says}>
              <td className="muted text-xs">{says}</td>
              {cells.map((cell, i) => (
                <td key={i} className="figure pl-2">
                  {exact(cell)}
                </td>
              ))}
            </tr>
          ))}
          <tr className="border-t border-base-content/50">
            <td className="text-xs">added</td>
            {columns.map((id) => (
              <td key={id} className={`figure pl-2 ${id === step.member ? 'font-semibold' : ''}`}>
                {exact(speedOf(id))}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </>
  );
}
