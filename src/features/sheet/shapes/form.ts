import type { Result } from '@/core/result';
import { readWheel, type ShapedGear, type WheelSpec } from '@/core/shapes';
import { fieldTable, writtenFields, type FieldTable } from '@/ui/form/fields';
import type { PartRow } from '@/core/parts';

/** A wheel's measures as they are typed; nothing means what the train says, or none. */
export interface ShapeForm {
  readonly moduleMm: string;
  readonly widthMm: string;
  readonly shift: string;
  readonly backlashMm: string;
  readonly helixDegrees: string;
  readonly herringbone: boolean;
  readonly boreMm: string;
  readonly squareMm: string;
  readonly keyWidthMm: string;
  readonly keyDeepMm: string;
  readonly hubOutsideMm: string;
  readonly hubLongMm: string;
  readonly lighteningHoles: string;
  readonly rimMm: string;
}

export const FIRST_FORM: ShapeForm = {
  moduleMm: '',
  widthMm: '',
  shift: '',
  backlashMm: '',
  helixDegrees: '',
  herringbone: false,
  boreMm: '',
  squareMm: '',
  keyWidthMm: '',
  keyDeepMm: '',
  hubOutsideMm: '',
  hubLongMm: '',
  lighteningHoles: '',
  rimMm: '',
};

export const USUAL_MODULE_MM = 2;
export const USUAL_WIDTH_MM = 10;
export const USUAL_BACKLASH_MM = 0.1;

export const TEETH = fieldTable(
  {
    key: 'moduleMm',
    path: 'moduleMm',
    label: 'Module',
    unit: 'mm',
    hint: 'Across the tooth. Nothing typed: what follows from the train',
  },
  { key: 'widthMm', path: 'widthMm', label: 'Width', unit: 'mm', hint: 'The face width on its card' },
  { key: 'shift', path: 'shift', label: 'Profile shift', unit: '× m' },
  {
    key: 'backlashMm',
    path: 'backlashMm',
    label: 'Backlash of the pair',
    unit: 'mm',
    hint: 'Of all pairs of the train; half of it is taken off each wheel',
  },
  {
    key: 'helixDegrees',
    path: 'helixDegrees',
    label: 'Helix angle',
    unit: '°',
    hint: 'Right-handed above 0. Wheels that mesh with it get theirs',
  },
);
export const BORE = fieldTable({ key: 'boreMm', path: 'boreMm', label: 'Bore', unit: 'mm' });
export const KEYWAY = fieldTable(
  { key: 'keyWidthMm', path: 'widthMm', label: 'Keyway, width', unit: 'mm', required: true },
  { key: 'keyDeepMm', path: 'deepMm', label: 'Keyway, depth', unit: 'mm', hint: 'Beyond the bore', required: true },
);
export const SQUARE = fieldTable({
  key: 'squareMm',
  path: 'squareMm',
  label: 'Square hole',
  unit: 'mm',
  hint: 'Across flats, instead of a bore',
});
export const HUB = fieldTable(
  { key: 'hubOutsideMm', path: 'outsideMm', label: 'Hub, outside', unit: 'mm', required: true },
  { key: 'hubLongMm', path: 'longMm', label: 'Hub, length', unit: 'mm', hint: 'Beyond the teeth', required: true },
);
export const HOLES = fieldTable({
  key: 'lighteningHoles',
  path: 'lighteningHoles',
  label: 'Lightening holes',
  unit: '×',
});
export const RIM = fieldTable({
  key: 'rimMm',
  path: 'rimMm',
  label: 'Rim',
  unit: 'mm',
  hint: 'Outside the roots; three modules where nothing is typed',
});

/** Two measures that come together: both, or neither. */
const pair = <K extends keyof ShapeForm, N extends string>(
  name: N,
  fields: FieldTable<K>,
  form: Readonly<Record<K, string>>,
) => (fields.some(({ key }) => form[key].trim() !== '') ? { [name]: writtenFields(fields, form) } : {});

/**
 * A wheel of the parts list as it is typed, or what is wrong with it. What only gears have is left off rings, and the
 * other way round.
 */
export function shapeOf(
  part: PartRow,
  form: ShapeForm,
  by: Pick<WheelSpec, 'rack' | 'tipCutMm'> = {},
): Result<ShapedGear> {
  const ring = part.type === 'internal';
  return readWheel({
    teeth: part.teeth,
    internal: ring,
    herringbone: form.herringbone,
    moduleMm: part.moduleMm ?? USUAL_MODULE_MM,
    widthMm: part.faceWidthMm ?? USUAL_WIDTH_MM,
    backlashMm: USUAL_BACKLASH_MM,
    ...by,
    ...writtenFields(TEETH, form),
    ...(ring
      ? writtenFields(RIM, form)
      : {
          ...writtenFields([...BORE, ...SQUARE, ...HOLES], form),
          ...pair('keyway', KEYWAY, form),
          ...pair('hub', HUB, form),
        }),
  });
}
