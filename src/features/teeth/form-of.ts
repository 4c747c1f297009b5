import type { WantedRatio, WrittenSearch } from '@/core/tooth-search';
import { asRatio } from '@/core/tooth-search';
import type { TeethForm, SetText, Spans, WantedText, WheelsText } from './form';

type Written<K extends keyof WrittenSearch> = NonNullable<WrittenSearch[K]>;

/** The form that a written search fills; what it does not say stays as the form has it. */
export function teethFormOf(written: WrittenSearch, now: TeethForm): TeethForm {
  const {
    target,
    wanted,
    teeth,
    stock,
    coprime = 'any',
    maxError,
    planetary,
    ladder,
    ranges,
    outputs,
    fit,
    timeS,
  } = written;
  const asked = wanted ?? (target === undefined ? null : asRatio(target));
  const form: TeethForm = {
    ...now,
    coprime,
    wanted: asked ? wantedText(asked, now.wanted) : now.wanted,
    wheels: wheelsText(teeth ?? (stock ? { stock } : {})),
    maxError: maxError === null || maxError === undefined ? '' : plain(maxError * 100),
    timeS: plain(timeS),
  };
  if (planetary) {
    const { behind, uneven = false } = planetary;
    return {
      ...form,
      kind: 'planetary',
      set: setText(planetary, now.set),
      behind: behind ? setText(behind, now.set) : null,
      uneven,
    };
  }
  if (ladder) {
    const { from, to, positions, steps, factor } = ladder;
    const text = { from: String(from), to: String(to), positions: plain(positions), factor: plain(factor ?? 1.05) };
    return { ...form, kind: 'ladder', ladder: { ...text, progressive: steps === 'progressive' } };
  }
  if (ranges) {
    const { step, positions, ranges: count, first = 1 } = ranges;
    return {
      ...form,
      kind: 'ranges',
      ranges: { step: plain(step), positions: plain(positions), ranges: plain(count), first: String(first) },
    };
  }
  if (outputs)
    return {
      ...form,
      kind: 'outputs',
      between: spanOf(written.stages ?? [1, 2]),
      toFirst: spanOf(written.firstStages ?? written.stages ?? [1, 2]),
      coaxial: written.coaxial ?? false,
      motor: motorOf(outputs, now.motor),
      outputs: outputs.map((output) => ({
        name: output.name,
        wanted: wantedText(output.wanted ?? asRatio(output.target ?? ''), now.wanted),
        turning: output.turning ?? 'any',
      })),
    };
  if (fit) {
    const { free, targets, weights = {}, holdCentres = false } = fit;
    return {
      ...form,
      wheels: now.wheels,
      kind: 'fit',
      fit: {
        free: {
          ...Object.fromEntries(Object.entries(now.fit.free).map(([id, one]) => [id, { ...one, free: false }])),
          ...Object.fromEntries(Object.entries(free).map(([id, span]) => [id, { free: true, span: spansText(span) }])),
        },
        targets: Object.fromEntries(
          Object.entries(targets).map(([id, ratio]) => [id, { ratio: String(ratio), weight: plain(weights[id] ?? 1) }]),
        ),
        holdCentres,
      },
    };
  }
  const { equalCentres = false, same = false, internal = false, turning = 'any', perStage } = written;
  return {
    ...form,
    kind: 'chains',
    stages: spanOf(written.stages ?? [2, 2]),
    perStage: perStage ? perStage.map(({ min, max }): Spans => [plain(min), plain(max)]) : null,
    equalCentres,
    same,
    internal,
    turning,
  };
}

/** The input speed that all outputs are given by; empty where they are given by several. */
function motorOf(outputs: Written<'outputs'>, now: string): string {
  const speeds = new Set(
    outputs.flatMap(({ wanted }) => (wanted && wanted.form !== 'ratio' && wanted.form !== 'turns' ? [wanted.in] : [])),
  );
  const [one] = speeds;
  return speeds.size > 1 ? '' : (one ?? now);
}

const plain = (value: number | undefined): string => (value === undefined ? '' : String(Number(value.toPrecision(12))));
const spanOf = (stages: Written<'stages'>): readonly [number, number] =>
  typeof stages === 'number' ? [stages, stages] : [stages[0], stages[1]];
const spansText = ([least, most]: readonly [number, number]): Spans => [plain(least), plain(most)];

function wantedText(wanted: WantedRatio, now: WantedText): WantedText {
  switch (wanted.form) {
    case 'ratio':
      return { ...now, form: 'ratio', ratio: wanted.ratio };
    case 'speeds':
      return { ...now, form: 'speeds', speedIn: wanted.in, speedOut: wanted.out };
    case 'period':
      return { ...now, form: 'period', speedIn: wanted.in, time: wanted.time };
    case 'tip':
      return { ...now, form: 'tip', speedIn: wanted.in, rimSpeed: wanted.speed, diameter: wanted.diameter };
    case 'turns':
      return { ...now, form: 'turns', turnsIn: wanted.in, turnsOut: wanted.out };
  }
}

const wheelsText = ({ min, max, stock = [], module, bore, wall, space, undercut }: Written<'teeth'>): WheelsText => ({
  min: plain(min),
  max: plain(max),
  stock: stock.join(' '),
  module: plain(module),
  bore: plain(bore),
  wall: plain(wall),
  space: plain(space),
  undercut: undercut !== undefined,
  pressureAngle: plain(undercut?.pressureAngle ?? 20),
  shift: plain(undercut?.shift ?? 0),
});

const setText = (
  {
    shape = 'simple',
    input,
    output,
    held,
    sun,
    planet,
    second,
    ring,
    copies,
  }: Omit<Written<'planetary'>, 'behind' | 'uneven'>,
  now: SetText,
): SetText => ({
  shape,
  input,
  output,
  held,
  sun: spansText(sun),
  planet: spansText(planet),
  second: second ? spansText(second) : now.second,
  ring: spansText(ring),
  copies: spansText(copies),
});
