import { bracketed, exact } from '@/core/words';
import { FRAME } from '@/core/train';
import type { SetEquation } from '@/core/working';

/** (ω x − ω arm) over (ω y − ω arm) as the fraction of tooth counts that makes it. */
export function Relation({
  equation: { arm, x, y, factor, teeth },
  omega,
}: {
  equation: SetEquation;
  omega: (id: string) => string;
}) {
  const relative = (id: string) => (arm === FRAME ? omega(id) : `${omega(id)} − ${omega(arm)}`);
  return (
    <WrittenRow>
      <Over top={relative(x)} bottom={relative(y)} /> = <TeethFigure teeth={teeth} /> = {exact(factor)}
    </WrittenRow>
  );
}

/** The same as a product: true as well where nothing rolls and both differences are 0. */
export function ProductRelation({
  equation: { arm, x, y, factor, teeth },
  omega,
}: {
  equation: SetEquation;
  omega: (id: string) => string;
}) {
  const relative = (id: string) => (arm === FRAME ? omega(id) : `(${omega(id)} − ${omega(arm)})`);
  return (
    <WrittenRow>
      {relative(x)} = <TeethFigure teeth={teeth} /> × {relative(y)} = {bracketed(exact(factor))} × {relative(y)}
    </WrittenRow>
  );
}

/** Tooth counts multiplied out, each mesh a fraction. */
export const TeethFigure = ({ teeth }: Pick<SetEquation, 'teeth'>) =>
  teeth.map(({ fromTeeth, toTeeth, opposite }, i) => (
    <span key={i}>
      {i > 0 && ' × '}
      <Over minus={opposite} top={String(fromTeeth)} bottom={String(toTeeth)} />
    </span>
  ));

export function WrittenRow({ note, children }: { note?: string; children: React.ReactNode }) {
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
