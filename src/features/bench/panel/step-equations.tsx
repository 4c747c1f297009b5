import { FRAME, type Train } from '@/core/train';
import type { SetEquation, WorkingStep } from '@/core/working';
import { couplerName, memberName } from '../words';
import { exact } from './sentences';

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
      <p className="muted text-xs">ω is turns for one turn put in. On a carrier, speeds count from the carrier: relative motion.</p>
    </>
  );
}

function Equation({ step, train }: { step: WorkingStep; train: Train }) {
  const omega = (id: string) => `ω ${memberName(train, id)}`;
  switch (step.kind) {
    case 'input':
      return <Row>{omega(step.member)} = {exact(step.speed)}</Row>;
    case 'held':
      return <Row note={`held by ${couplerName(train, step.by)}`}>{omega(step.member)} = 0</Row>;
    case 'joined':
      return <Row note={`joined by ${couplerName(train, step.coupler)}`}>{omega(step.member)} = {omega(step.from)} = {exact(step.speed)}</Row>;
    case 'pair':
      return (
        <Row>
          {omega(step.member)} = {exact(step.fromSpeed)} × <Over minus={step.opposite} top={String(step.fromTeeth)} bottom={String(step.toTeeth)} /> = {exact(step.speed)}
        </Row>
      );
    case 'set':
      return (
        <>
          <Relation equation={step} omega={omega} />
          <Row note={`with ${step.known.map(({ member, speed }) => `${omega(member)} = ${exact(speed)}`).join(', ')}`}>
            {omega(step.member)} = {exact(step.speed)}
          </Row>
        </>
      );
    case 'simultaneous':
      return (
        <>
          <p className="muted">No set has one unknown left; together:</p>
          {step.equations.map((equation, i) => (
            <Relation key={i} equation={equation} omega={omega} />
          ))}
          {step.joins.map(({ a, b, coupler }) => (
            <Row key={coupler} note={`joined by ${couplerName(train, coupler)}`}>
              {omega(a)} = {omega(b)}
            </Row>
          ))}
          <Row>give {step.solution.map(({ member, speed }) => `${omega(member)} = ${exact(speed)}`).join(', ')}</Row>
        </>
      );
  }
}

/** (ω x − ω arm) over (ω y − ω arm) as the fraction of tooth counts that makes it. */
function Relation({ equation: { arm, x, y, factor, teeth }, omega }: { equation: SetEquation; omega: (id: string) => string }) {
  const relative = (id: string) => (arm === FRAME ? omega(id) : `${omega(id)} − ${omega(arm)}`);
  return (
    <Row>
      <Over top={relative(x)} bottom={relative(y)} /> ={' '}
      {teeth.map(({ fromTeeth, toTeeth, opposite }, i) => (
        <span key={i}>
          {i > 0 && ' × '}
          <Over minus={opposite} top={String(fromTeeth)} bottom={String(toTeeth)} />
        </span>
      ))}{' '}
      = {exact(factor)}
    </Row>
  );
}

function Row({ note, children }: { note?: string; children: React.ReactNode }) {
  return (
    <p className="figure leading-relaxed">
      {children}
      {note && <span className="muted block font-sans text-xs">{note}</span>}
    </p>
  );
}

/** A fraction, one over the other. */
export function Over({ minus = false, top, bottom }: { minus?: boolean; top: string; bottom: string }) {
  return (
    <span className="figure inline-flex items-center gap-1 align-middle">
      {minus && '−'}
      <span className="inline-flex flex-col text-center leading-tight">
        <span className="border-b border-base-content px-1">{top}</span>
        <span className="px-1">{bottom}</span>
      </span>
    </span>
  );
}
