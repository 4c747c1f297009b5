import { geometryOf, meshingGears } from '@/core/geometry';
import { helixHands } from '@/core/parts';
import { rackOf, type WheelSpec } from '@/core/shapes';
import {
  changeGear,
  changeTrain,
  checked,
  partsById,
  type Edit,
  type Gear,
  type GearChange,
  type Train,
} from '@/core/train';
import { readFigure } from '@/core/units';
import { FIRST_FORM, type ShapeForm } from './form';

/** What is typed at a wheel and is no figure yet: the rest is in the document. */
export type Unkept = Readonly<Partial<ShapeForm>>;

const text = (value: number | undefined): string => (value === undefined ? '' : String(value));

/** A wheel's measures as the document has them, as text for the form. */
export const shapeFormOf = ({ backlash }: Train, gear: Gear): ShapeForm => ({
  moduleMm: text(gear.module),
  widthMm: text(gear.faceWidth),
  shift: text(gear.shift),
  backlashMm: text(backlash),
  helixDegrees: text(gear.helix),
  herringbone: gear.herringbone ?? false,
  boreMm: text(gear.bore),
  squareMm: text(gear.square),
  keyWidthMm: text(gear.keyway?.width),
  keyDeepMm: text(gear.keyway?.depth),
  hubOutsideMm: text(gear.hub?.outside),
  hubLongMm: text(gear.hub?.length),
  lighteningHoles: text(gear.holes),
  rimMm: text(gear.rim),
});

/** The document with what is typed at a wheel, and what of it is not taken: no figure, half of a pair, or refused. */
export function keepShape(train: Train, gear: Gear, typed: Unkept): { readonly train: Train; readonly unkept: Unkept } {
  const form = { ...shapeFormOf(train, gear), ...typed };
  let now = train;
  const unkept: Partial<Record<keyof ShapeForm, string | boolean>> = {};
  const take = (keys: readonly (keyof ShapeForm)[], make: (train: Train) => Edit | null) => {
    if (!keys.some((key) => key in typed)) return;
    const edit = make(now);
    if (edit?.ok) now = edit.train;
    else for (const key of keys) if (key in typed) unkept[key] = form[key];
  };
  const gearIn = (change: (read: (key: Exclude<keyof ShapeForm, 'herringbone'>) => number) => GearChange | null) => {
    return (of: Train): Edit | null => {
      const found = change((key) => readFigure(form[key], UNITS[key] ?? ''));
      return found && changeGear(of, gear.id, found);
    };
  };
  for (const [key, field] of Object.entries(FIGURES) as [keyof typeof FIGURES, keyof GearChange][])
    take(
      [key],
      gearIn((read) => ({ [field]: form[key].trim() === '' ? undefined : read(key) })),
    );
  take(['backlashMm'], (of) =>
    changeTrain(of, { backlash: form.backlashMm.trim() === '' ? undefined : readFigure(form.backlashMm, 'mm') }),
  );
  take(['helixDegrees'], (of) =>
    withHelix(of, gear.id, form.helixDegrees.trim() === '' ? undefined : readFigure(form.helixDegrees)),
  );
  take(['herringbone'], (of) => everyMate(of, gear.id, () => ({ herringbone: form.herringbone || undefined })));
  for (const [field, [first, firstName], [second, secondName]] of PAIRS)
    take(
      [first, second],
      gearIn((read) => {
        const empty = [first, second].filter((key) => form[key].trim() === '');
        if (empty.length === 2) return { [field]: undefined };
        return empty.length === 1 ? null : { [field]: { [firstName]: read(first), [secondName]: read(second) } };
      }),
    );
  return { train: now, unkept: unkept as Unkept };
}

const FIGURES = {
  moduleMm: 'module',
  widthMm: 'faceWidth',
  shift: 'shift',
  boreMm: 'bore',
  squareMm: 'square',
  lighteningHoles: 'holes',
  rimMm: 'rim',
} as const satisfies Partial<Record<keyof ShapeForm, keyof GearChange>>;

const PAIRS = [
  ['keyway', ['keyWidthMm', 'width'], ['keyDeepMm', 'depth']],
  ['hub', ['hubOutsideMm', 'outside'], ['hubLongMm', 'length']],
] as const;

/** Whose figures may be typed in another unit of length. */
const UNITS: Partial<Record<keyof ShapeForm, string>> = Object.fromEntries(
  Object.keys(FIRST_FORM)
    .filter((key) => key.endsWith('Mm'))
    .map((key) => [key, 'mm']),
);

/** A helix on one wheel is one on all that hang together with it, each of the hand that its mates need. */
function withHelix(train: Train, gear: string, degrees: number | undefined): Edit {
  const hands = helixHands(train);
  const own = hands.get(gear) ?? 1;
  return everyMate(train, gear, (id) => ({
    helix: degrees === undefined || degrees === 0 ? undefined : degrees * own * (hands.get(id) ?? 1),
  }));
}

/** Changes a wheel and all that hang together with it by their teeth. */
function everyMate(train: Train, gear: string, change: (id: string) => GearChange): Edit {
  const group = meshingGears(train).find((ids) => ids.includes(gear));
  let edit: Edit = checked(train);
  for (const id of group ?? [gear]) {
    const { type } = partsById(train).gear(id);
    if (edit.ok && (type === 'external' || type === 'internal')) edit = changeGear(edit.train, id, change(id));
  }
  return edit;
}

/** What the train says of a wheel beyond its own measures: the rack that cuts it, and tips that clear their mates. */
export function cutBy(train: Train, gear: string): Pick<WheelSpec, 'rack' | 'tipCutMm'> {
  const geometry = geometryOf(train);
  const tipCutMm = geometry.moduleMm(gear) === null ? undefined : geometry.gear(gear)?.spec.tipCutMm;
  return { rack: { ...rackOf(train) }, ...(tipCutMm !== undefined && { tipCutMm }) };
}
