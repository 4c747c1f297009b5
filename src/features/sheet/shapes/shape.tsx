import { toothForm, USUAL_TOLERANCE_MM } from '@/core/shapes';
import { figure } from '@/core/units';
import { useTrain } from '@/features/train/use-train';
import { memberColor } from '@/figures/member-colors';
import { useChosenWheel } from './use-shapes';

/** The chosen wheel's lines, its measures, and what is worth knowing before it is made. */
export function Shape() {
  const train = useTrain((state) => state.train);
  const chosen = useChosenWheel();
  if (!chosen) return <p className="muted m-auto p-6">There is no wheel to show.</p>;
  const { part, read } = chosen;
  if (!read.ok)
    return (
      <p className="m-auto max-w-prose p-6" role="status">
        {part.name}: {read.problems[0].message}
      </p>
    );
  const { outer, holes, areaMm2, hints, spec } = read.value;
  const form = toothForm(spec);
  const reach = Math.max(...outer.map(({ x, y }) => Math.hypot(x, y))) * 1.05;
  const path = [outer, ...holes]
    .map((loop) => `M${loop.map(({ x, y }) => `${x.toFixed(3)} ${(-y).toFixed(3)}`).join('L')}Z`)
    .join('');
  const measures: readonly (readonly [string, string])[] = [
    ['pitch ⌀', `${figure(2 * form.pitchRadius)} mm`],
    ['tips ⌀', `${figure(2 * form.tipRadius)} mm`],
    ['roots ⌀', `${figure(2 * form.rootRadius)} mm`],
    ['base ⌀', `${figure(2 * form.baseRadius)} mm`],
    [spec.internal ? 'space on the pitch circle' : 'tooth on the pitch circle', `${figure(form.widthMm)} mm`],
    ['area', `${figure(areaMm2)} mm²`],
    ['chords within', `${USUAL_TOLERANCE_MM} mm`],
  ];
  return (
    <article aria-label={part.name} className="flex min-h-0 flex-1 flex-col gap-2 overflow-auto px-5 py-3">
      <h3 className="text-lg font-semibold">
        {part.name}, module {spec.moduleMm} mm{part.copies > 1 && `, ${part.copies} of it`}
      </h3>
      <svg
        viewBox={`${-reach} ${-reach} ${2 * reach} ${2 * reach}`}
        className="min-h-64 w-full flex-1"
        role="img"
        aria-label={`Outline of ${part.name}`}
      >
        <path
          d={path}
          fill={memberColor(train, part.member)}
          fillOpacity={0.18}
          stroke={memberColor(train, part.member)}
          strokeWidth={reach / 350}
          fillRule="evenodd"
        />
        <circle
          r={form.pitchRadius}
          className="fill-none stroke-base-content/50"
          strokeWidth={reach / 600}
          strokeDasharray={`${reach / 40} ${reach / 80}`}
        />
      </svg>
      <dl className="flex flex-wrap gap-x-5 gap-y-1 text-sm">
        {measures.map(([what, value]) => (
          <div key={what} className="flex gap-1.5">
            <dt className="muted">{what}</dt>
            <dd className="figure">{value}</dd>
          </div>
        ))}
      </dl>
      <ul aria-label="Before it is made" className="list-disc pl-5 text-sm">
        {hints.map((hint) => (
          <li key={hint}>{hint}</li>
        ))}
      </ul>
    </article>
  );
}
