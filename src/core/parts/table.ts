import { figure } from '../units';
import type { PartRow, PartsList } from './parts';

/** The parts list as a table of text: units in its head, the same for CSV, Markdown, the sheet and the screen. */
export function partsTable({ parts }: PartsList): {
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
} {
  return { head: COLUMNS.map(([head]) => head), rows: parts.map((part) => COLUMNS.map(([, text]) => text(part))) };
}

const number = (value: number | null): string => (value === null ? '' : figure(value));
const byMate = (values: Readonly<Record<string, number>>): string =>
  Object.entries(values)
    .map(([mate, value]) => `${mate}: ${figure(value)}`)
    .join('; ');

const COLUMNS: readonly (readonly [string, (part: PartRow) => string])[] = [
  ['gear', ({ gear }) => gear],
  ['on', ({ name }) => name.replace(/^\d+ on /, '')],
  ['kind', ({ type }) => type],
  ['copies', ({ copies }) => String(copies)],
  ['teeth', ({ teeth }) => String(teeth)],
  ['module mm', ({ moduleMm }) => number(moduleMm)],
  ['pitch ⌀ mm', ({ pitchMm }) => number(pitchMm)],
  ['tips ⌀ mm', ({ outsideMm }) => number(outsideMm)],
  ['roots ⌀ mm', ({ rootMm }) => number(rootMm)],
  ['base pitch mm', ({ basePitchMm }) => number(basePitchMm)],
  ['width mm', ({ faceWidthMm }) => number(faceWidthMm)],
  ['centre distance mm', ({ centreDistancesMm }) => byMate(centreDistancesMm)],
  ['contact ratio', ({ contactRatio }) => byMate(contactRatio)],
  ['span', ({ span }) => (span ? `${span.teeth} teeth ${figure(span.mm)} mm` : '')],
  ['worst in', ({ worst }) => worst?.position ?? 'carries nothing'],
  ['rpm there', ({ worst }) => number(worst?.speedRpm ?? null)],
  ['N·m on its teeth', ({ worst }) => number(worst?.torqueNm ?? null)],
  ['N along its teeth', ({ worst }) => number(worst?.tangentialN ?? null)],
  ['tip m/s', ({ tipMetresPerSecond }) => number(tipMetresPerSecond)],
  ['limit m/s', ({ tipLimit }) => number(tipLimit)],
];
