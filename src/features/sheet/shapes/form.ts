import { readWheel, type ReadWheel, type WheelSpec } from '@/core/shapes';
import type { PartRow } from '@/core/parts';
import { typedNumber } from '@/ui/typed-number';

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
  backlashMm: '0.1',
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

/**
 * A wheel of the parts list as it is typed, or what is wrong with it. What only gears have is left off rings, and the
 * other way round.
 */
export function shapeOf(part: PartRow, form: ShapeForm): ReadWheel {
  const number = (text: string): number | undefined => (text.trim() === '' ? undefined : typedNumber(text));
  const ring = part.type === 'internal';
  const pair = <A extends string, B extends string>(a: A, first: string, b: B, second: string) =>
    first.trim() === '' && second.trim() === ''
      ? undefined
      : ({ [a]: number(first) ?? NaN, [b]: number(second) ?? NaN } as Record<A | B, number>);
  const typed = {
    shift: number(form.shift),
    backlashMm: number(form.backlashMm),
    helixDegrees: number(form.helixDegrees),
    ...(ring
      ? { rimMm: number(form.rimMm) }
      : {
          boreMm: number(form.boreMm),
          squareMm: number(form.squareMm),
          keyway: pair('widthMm', form.keyWidthMm, 'deepMm', form.keyDeepMm),
          hub: pair('outsideMm', form.hubOutsideMm, 'longMm', form.hubLongMm),
          lighteningHoles: number(form.lighteningHoles),
        }),
  };
  const spec = {
    teeth: part.teeth,
    internal: ring,
    herringbone: form.herringbone,
    moduleMm: number(form.moduleMm) ?? part.moduleMm ?? USUAL_MODULE_MM,
    widthMm: number(form.widthMm) ?? part.faceWidthMm ?? USUAL_WIDTH_MM,
    ...Object.fromEntries(Object.entries(typed).filter(([, value]) => value !== undefined)),
  } as WheelSpec;
  return readWheel(spec);
}
