import type { PartRow } from '@/core/parts';
import type { WheelSpec } from '@/core/shapes';
import { partsById, type Train } from '@/core/train';
import { memberName } from '@/core/words';
import { fileName } from '@/ui/save-file';
import { shapeOf } from './form';
import { cutBy, shapeFormOf } from './kept-shape';

/**
 * Every wheel of a train as it is to be made, by what the document says of each; stepped planets as one piece too. What
 * cannot be made is said.
 */
export function wholeSet(train: Train, wheels: readonly PartRow[]) {
  const { gear } = partsById(train);
  const reads = wheels.map((wheel) => ({
    wheel,
    read: shapeOf(wheel, shapeFormOf(train, gear(wheel.gear)), cutBy(train, wheel.gear)),
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
