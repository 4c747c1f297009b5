import type { Problem } from '@/core/result';
import { readWheel, stlBytes, USUAL_TOLERANCE_MM, wheelDxf, wheelSolid, wheelSvg } from '@/core/shapes';
import { parseArguments, type OptionKinds } from './arguments';
import { UsageError } from './usage-error';
import { writeFileWhole } from './write-whole';

const NUMBERS = {
  teeth: 'teeth',
  module: 'moduleMm',
  shift: 'shift',
  backlash: 'backlashMm',
  width: 'widthMm',
  helix: 'helixDegrees',
  bore: 'boreMm',
  square: 'squareMm',
  holes: 'lighteningHoles',
  rim: 'rimMm',
  tolerance: 'toleranceMm',
} as const;
const PAIRS = { key: 'keyway', hub: 'hub' } as const;
const USUAL_WIDTH_MM = 10;
const FORMATS = ['svg', 'dxf', 'stl'] as const;

const GEAR_USAGE = 'tinwheel gear --help says what it takes.';

/** Writes one wheel true to size as a file, and says what was written. @throws UsageError */
export function gearFile(argv: readonly string[]): string {
  const { values, positionals } = parseArguments(argv, OPTIONS);
  if (positionals.length > 0) throw new UsageError(`"${positionals[0]}" is one too many: ${GEAR_USAGE}`);
  const { format, output } = values as { readonly format?: string; readonly output?: string };
  if (!FORMATS.includes(format as (typeof FORMATS)[number])) throw new UsageError('--format is svg, dxf or stl.');
  if (output === undefined) throw new UsageError('name the file that is to be written with -o.');
  const spec: Record<string, unknown> = {
    widthMm: USUAL_WIDTH_MM,
    internal: values.internal === true,
    herringbone: values.herringbone === true,
  };
  for (const [option, field] of Object.entries(NUMBERS))
    if (values[option] !== undefined) spec[field] = number(`--${option}`, String(values[option]));
  for (const [option, field] of Object.entries(PAIRS)) {
    if (values[option] === undefined) continue;
    const [a, b, ...more] = String(values[option]).split('x');
    if (a === undefined || b === undefined || more.length > 0)
      throw new UsageError(`--${option} is two measures with an x between them, such as 16x6.`);
    const [first, second] = [number(`--${option}`, a), number(`--${option}`, b)];
    spec[field] = option === 'key' ? { widthMm: first, deepMm: second } : { outsideMm: first, longMm: second };
  }
  for (const needed of ['teeth', 'module'] as const)
    if (values[needed] === undefined) throw new UsageError(`--${needed} is needed: ${GEAR_USAGE}`);
  const read = readWheel(spec);
  if (!read.ok) throw new UsageError(`--${optionOf(read.problems[0])}: ${read.problems[0].message}`);
  const wheel = read.value;
  const title = `${wheel.spec.teeth} teeth, module ${wheel.spec.moduleMm} mm`;
  writeFileWhole(
    output,
    format === 'stl' ? stlBytes(wheelSolid(wheel), title) : format === 'dxf' ? wheelDxf(wheel) : wheelSvg(wheel, title),
  );
  return [
    `${output}: ${title}, area ${wheel.areaMm2.toFixed(3)} mm², chords within ` +
      `${wheel.spec.toleranceMm ?? USUAL_TOLERANCE_MM} mm.`,
    ...wheel.hints,
  ]
    .map((line) => `${line}\n`)
    .join('');
}

const optionOf = ({ path: [field] }: Problem): string =>
  Object.entries({ ...NUMBERS, ...PAIRS }).find(([, name]) => name === field)?.[0] ?? String(field);

function number(option: string, text: string): number {
  const value = text.trim() === '' ? NaN : Number(text);
  if (!Number.isFinite(value)) throw new UsageError(`${option}: "${text.slice(0, 40)}" is not a number.`);
  return value;
}

const OPTIONS: OptionKinds = {
  ...Object.fromEntries(
    [...Object.keys(NUMBERS), ...Object.keys(PAIRS), 'format'].map((name) => [name, { type: 'string' as const }]),
  ),
  internal: { type: 'boolean' },
  herringbone: { type: 'boolean' },
  output: { type: 'string', short: 'o' },
};
