import { gcd } from '../rational';
import { changeGear, isCylindrical, partsById, setTeeth, type Gear, type Train } from '../train';
import { rackOf, STANDARD_RACK } from '../shapes';
import { finding, type Finding, type FindingFix } from './finding';
import { leastShiftMend, undercutByShift } from './wheels';

/** Fewest teeth of a standard gear (20°, full depth) whose feet are not cut away. */
const LEAST_WITHOUT_UNDERCUT = 17;

/** Checks of single meshes and gears: one module, hunting teeth, undercut. */
export function meshFindings(train: Train): Finding[] {
  const parts = partsById(train);
  const { pair } = parts;
  return [
    ...train.meshes.flatMap((mesh) => moduleFinding(...pair(mesh))),
    ...train.meshes.flatMap((mesh) => huntingFinding(...pair(mesh))),
    ...train.gears.flatMap((gear) => undercutFinding(train, gear)),
  ];
}

/** Another tooth count as a mend: "Ring 74 → 72 teeth". */
export const teethFix = (what: string, gear: Gear, teeth: number): FindingFix => ({
  label: `${what} ${gear.teeth} → ${teeth} teeth`,
  apply: (train) => setTeeth(train, gear.id, teeth),
});

const moduleMend = (gear: Gear, module: number): FindingFix => ({
  label: `Gear ${gear.teeth}: module ${module} mm`,
  apply: (train) => changeGear(train, gear.id, { module }),
});

function moduleFinding(a: Gear, b: Gear): Finding[] {
  if (a.module === undefined || b.module === undefined || a.module === b.module) return [];
  return [
    finding(
      'module',
      'wrong',
      {
        what: `Gears ${a.teeth} and ${b.teeth} mesh, but their modules are ${a.module} and ${b.module} mm.`,
        why: 'Teeth of different size do not run in each other.',
        mend: 'Give both the same module.',
        mends: [moduleMend(b, a.module), moduleMend(a, b.module)],
      },
      { gears: [a.id, b.id] },
    ),
  ];
}

function huntingFinding(a: Gear, b: Gear): Finding[] {
  const shared = gcd(a.teeth, b.teeth);
  if (!isCylindrical(a) || !isCylindrical(b) || shared === 1) return [];
  const [small, large] = a.teeth <= b.teeth ? [a, b] : [b, a];
  const hunting = [large.teeth - 1, large.teeth + 1].filter((teeth) => gcd(small.teeth, teeth) === 1);
  return [
    finding(
      'shared factor',
      'note',
      {
        what: `The ${a.teeth}- and ${b.teeth}-tooth gears share the factor ${shared}.`,
        why:
          `Each tooth of ${small.teeth} meets only ${large.teeth / shared} of ${large.teeth} ` +
          `teeth, repeating every ${large.teeth / shared} ` +
          `${large.teeth === shared ? 'turn' : 'turns'}: wear follows that pattern.`,
        mend:
          hunting.length > 0
            ? `${hunting.join(' or ')} instead of ${large.teeth} would hunt. ` +
              'Round ratios are a fair reason for the counts as they are.'
            : 'Change either count by one or two.',
        mends: hunting.map((teeth) => teethFix('Gear', large, teeth)),
      },
      { gears: [a.id, b.id] },
    ),
  ];
}

function undercutFinding(train: Train, gear: Gear): Finding[] {
  const found = gear.type === 'external' ? undercutByShift(train, gear) : null;
  if (!found) return [];
  const standard = !gear.shift && !gear.helix && rackOf(train) === STANDARD_RACK;
  const least = `x = ${(Math.ceil(found.least * 100) / 100).toFixed(2)}`;
  return [
    finding(
      'undercut',
      'note',
      {
        what: standard
          ? `A standard gear of ${gear.teeth} teeth is undercut.`
          : `The gear of ${gear.teeth} teeth is undercut with a shift of ${signedShift(gear.shift ?? 0)}.`,
        why: standard
          ? `Below ${LEAST_WITHOUT_UNDERCUT} teeth at 20° the tool cuts into the tooth roots, which weakens them.`
          : 'The tool cuts into the tooth roots, which weakens them.',
        mend: standard
          ? `Take ${LEAST_WITHOUT_UNDERCUT} teeth or more, or a profile shift of ${least}.`
          : `A profile shift of ${least} keeps them whole.`,
        mends: [
          ...(standard ? [teethFix('Gear', gear, LEAST_WITHOUT_UNDERCUT)] : []),
          leastShiftMend(gear, found.least),
        ],
      },
      { gears: [gear.id] },
    ),
  ];
}

const signedShift = (shift: number): string => String(shift).replace('-', '−');
