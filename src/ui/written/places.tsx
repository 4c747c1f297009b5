import type { WrittenProblem } from '@/core/written-form';

const SHOWN = 12;

/** Places of a text with what is to be said of each; one that is pressed is gone to. */
export function Places({
  label,
  problems,
  onGo,
}: {
  label: string;
  problems: readonly WrittenProblem[];
  onGo: (place: WrittenProblem['place']) => void;
}) {
  if (problems.length === 0) return null;
  return (
    <ul aria-label={label} className="mt-1.5 flex flex-col gap-1">
      {problems.slice(0, SHOWN).map(({ place, message }, i) => (
        <li key={i} className="leading-snug">
          <button type="button" className="link figure" onClick={() => onGo(place)}>
            Line {place.line}
          </button>{' '}
          {message}
        </li>
      ))}
      {problems.length > SHOWN && <li className="muted">and {problems.length - SHOWN} more</li>}
    </ul>
  );
}
