import { geometryOf, SPLITS, splitShift, type Split } from '../geometry';
import { rootSection, rootStress } from '../forces';
import { itemAt } from '../required';
import { rackOf, type ToothSpec } from '../shapes';
import { changeGear, partsById, type Edit, type Gear, type Mesh, type Train } from '../train';
import type { FindingFix } from './finding';

/** To four figures behind the point: a ten-thousandth of a module is far below what is cut. */
const rounded = (shift: number): number => Number(shift.toFixed(4)) + 0;

export const shiftText = (shift: number): string => `x = ${shift.toFixed(3).replace('-', '−')}`;

export const millimetres = (value: number): string => `${Number(value.toFixed(3))} mm`;

/** Gives gears their shifts, all or none. */
export function withShifts(train: Train, shifts: readonly (readonly [gear: string, shift: number])[]): Edit {
  let edit: Edit = { ok: true, train };
  for (const [gear, shift] of shifts) {
    if (!edit.ok) return edit;
    const value = rounded(shift);
    edit = changeGear(edit.train, gear, { shift: value === 0 ? undefined : value });
  }
  return edit;
}

/** What is said of each way to share a shift. */
const SAYS: Readonly<Record<Split, string>> = {
  'equal sliding': 'both slide alike',
  'equal strength': 'both roots alike',
  'least shift': 'as little as keeps the roots whole',
};

/** The two gears of a pair on parallel axes, the one with teeth outside first. */
export function outsideFirst(train: Train, mesh: Mesh): readonly [Gear, Gear] {
  const [a, b] = partsById(train).pair(mesh);
  return a.type === 'internal' ? [b, a] : [a, b];
}

/** Shifts that make a pair run at a centre, one mend for each way to share them. */
export function shiftMends(train: Train, mesh: Mesh, centreMm: number): readonly FindingFix[] {
  const geometry = geometryOf(train);
  const pair = outsideFirst(train, mesh);
  const [one, two] = pair.map(({ id }) => geometry.spec(id));
  if (!one || !two) return [];
  const seen = new Set<string>();
  return SPLITS.flatMap((split): FindingFix[] => {
    const shifts = splitShift({ specs: [one, two], centreMm, stresses: stressesOf(train, [one, two], mesh) }, split);
    if (!shifts) return [];
    const label = `${pair.map(({ teeth }, i) => `${shiftText(itemAt(shifts, i))} on ${teeth}`).join(', ')}: ${SAYS[split]}`;
    if (seen.has(shifts.map(rounded).join())) return [];
    seen.add(shifts.map(rounded).join());
    return [
      {
        label,
        apply: (now) =>
          withShifts(
            now,
            pair.map(({ id }, i) => [id, itemAt(shifts, i)] as const),
          ),
      },
    ];
  });
}

/** Stress in both roots for one N on the teeth of a mm of width, with these shifts. */
function stressesOf(train: Train, specs: readonly [ToothSpec, ToothSpec], mesh: Mesh) {
  const contactRatio = geometryOf(train).contactRatio(mesh.id) ?? 1;
  const rack = rackOf(train);
  return (shifts: readonly [number, number]): readonly [number, number] | null => {
    const [one, two] = specs.map((spec, i) => rootSection({ ...spec, shift: itemAt(shifts, i) }, contactRatio));
    if (!one || !two) return null;
    return [rootStress(one, 1, 1, rack.pressureAngle), rootStress(two, 1, 1, rack.pressureAngle)];
  };
}
