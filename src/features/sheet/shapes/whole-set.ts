import { helixHands, type PartRow } from '@/core/parts';
import type { WheelSpec } from '@/core/shapes';
import type { Train } from '@/core/train';
import { memberName } from '@/core/words';
import { fileName } from '@/ui/save-file';
import { shapeOf, type ShapeForm } from './form';

/**
 * Every wheel of a train as it is to be made: each of its own module and width, its helix of the hand that its mates
 * need; stepped planets as one piece too. What cannot be made is said.
 */
export function wholeSet(train: Train, wheels: readonly PartRow[], form: ShapeForm) {
  const hands = helixHands(train);
  const reads = wheels.map((wheel) => ({
    wheel,
    read: shapeOf(wheel, {
      ...form,
      moduleMm: wheel.moduleMm === null ? form.moduleMm : '',
      widthMm: wheel.faceWidthMm === null ? form.widthMm : '',
      helixDegrees: hands.get(wheel.gear) === -1 ? opposite(form.helixDegrees) : form.helixDegrees,
    }),
  }));
  const asked = reads.flatMap(({ wheel, read }) =>
    read.ok
      ? [
          {
            gear: wheel.gear,
            name: wheel.name,
            file: fileName(`${wheel.gear} ${wheel.name}`, ''),
            copies: wheel.copies,
            spec: read.value.spec,
          },
        ]
      : [],
  );
  const left = reads.flatMap(({ wheel, read }) => (read.ok ? [] : [`${wheel.name}: ${read.problems[0].message}`]));
  const specOf = new Map<string, WheelSpec>(asked.map(({ gear, spec }) => [gear, spec]));
  const pieces = train.members.flatMap(({ id, carrier }) => {
    const own = train.gears.filter((gear) => gear.member === id);
    const specs = own.flatMap((gear) => specOf.get(gear.id) ?? []);
    if (carrier === undefined || own.length < 2 || specs.length < own.length) return [];
    return [{ file: fileName(`piece ${memberName(train, id)}`, ''), name: memberName(train, id), specs }];
  });
  return { asked, pieces, left };
}

const opposite = (degrees: string): string =>
  degrees.trim() === '' ? '' : degrees.trim().startsWith('-') ? degrees.trim().slice(1) : `-${degrees.trim()}`;
