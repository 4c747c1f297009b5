'use client';

import { isZero, ONE, sub } from '@/core/rational';
import type { Train } from '@/core/train';
import type { Elimination, Equation, WorkingStep } from '@/core/working';
import { usePreferences } from '@/ui/preferences';
import { exact, couplerName, memberName } from '@/core/words';
import { ProductRelation, WrittenRow } from './written';
import { required } from '@/core/required';

type TogetherStep = Extract<WorkingStep, { kind: 'simultaneous' }>;

/**
 * Coupled sets: their equations, one member after the other put in terms of the rest, and the speeds on the way back.
 */
export function Together({ step: { equations, eliminations, solution }, train }: { step: TogetherStep; train: Train }) {
  const omega = (id: string) => `ω ${memberName(train, id)}`;
  const speedOf = (id: string) => exact(required(solution.find(({ member }) => member === id)).speed);
  return (
    <>
      <p className="muted">No set has one unknown left; together:</p>
      {equations.map((equation, i) => (
        <div key={i} className="flex gap-2 py-1">
          <span className="muted shrink-0">({i + 1})</span>
          <TogetherEquation equation={equation} train={train} omega={omega} />
        </div>
      ))}
      <p className="muted mt-1.5">Each in turn, using those before:</p>
      {eliminations.map((line) => (
        <WrittenRow key={line.member}>
          <span className="muted">({line.from + 1})</span> {omega(line.member)} = {sumText(line, omega)}
        </WrittenRow>
      ))}
      <p className="muted mt-1.5">And back:</p>
      {solution.map(({ member, speed, by }) => (
        <WrittenRow key={member}>
          {omega(member)} = {by.terms.length > 0 && `${sumText(by, speedOf)} = `}
          <strong>{exact(speed)}</strong>
        </WrittenRow>
      ))}
    </>
  );
}

function TogetherEquation({
  equation,
  train,
  omega,
}: {
  equation: Equation;
  train: Train;
  omega: (id: string) => string;
}) {
  const school = usePreferences((state) => state.setSchool);
  if (equation.kind === 'join') {
    return (
      <WrittenRow note={equation.coupler === null ? 'one block' : `joined by ${couplerName(train, equation.coupler)}`}>
        {omega(equation.a)} = {omega(equation.b)}
      </WrittenRow>
    );
  }
  if (school === 'formula') return <ProductRelation equation={equation} omega={omega} />;
  const { arm, x, y, factor } = equation;
  const name = (id: string) => memberName(train, id);
  return (
    <WrittenRow
      note={`by table: ${name(arm)} n, ${name(y)} n + m, ${name(x)} n + ${exact(factor)} × m; n and m taken out`}
    >
      {omega(x)} = {exact(factor)} × {omega(y)} + {exact(sub(ONE, factor))} × {omega(arm)}
    </WrittenRow>
  );
}

/** Σ factor × term + constant. */
function sumText({ terms, constant }: Elimination, shown: (id: string) => string): string {
  const parts = terms.map(({ member, factor }) => `${exact(factor)} × ${shown(member)}`);
  return [...parts, ...(isZero(constant) && parts.length > 0 ? [] : [exact(constant)])]
    .join(' + ')
    .replaceAll('+ −', '− ');
}
