import { copiesOf, meshForces } from '../forces';
import { meshingGears } from '../geometry';
import { modelOf } from '../model';
import { itemAt } from '../required';
import { changeGear, type Edit, type Train } from '../train';
import { figure } from '../units';
import { memberName } from '../words';
import { finding, type Finding } from './finding';

/** Thrusts are compared for this torque put in: they all go with it. */
const TORQUE_NM = 1;

/** Wheels that hang together by their teeth lean alike: their helices are turned round together. */
type Group = readonly string[];

/** Shafts that two helices push the same way, where turned round one of them would push against the other. */
export function thrustFindings(train: Train): Finding[] {
  const helical = new Set(train.gears.filter(({ helix, herringbone }) => helix && !herringbone).map(({ id }) => id));
  if (helical.size < 2) return [];
  const groups = meshingGears(train);
  return train.members.flatMap((member): Finding[] => {
    const own = train.gears.filter((gear) => gear.member === member.id && helical.has(gear.id)).map(({ id }) => id);
    const there = groups.filter((group) => own.some((id) => group.includes(id)));
    if (member.carrier !== undefined || there.length !== 2) return [];
    const worst = worstThrust(train, own, there);
    if (!worst) return [];
    const { position, thrusts } = worst;
    return [
      finding(
        'thrust',
        'note',
        {
          what: `Both helices on ${memberName(train, member.id)} push it the same way in position ${position}.`,
          why:
            `For each N·m of input torque that is ${figure(Math.abs(itemAt(thrusts, 0)))} and ` +
            `${figure(Math.abs(itemAt(thrusts, 1)))} N, and its bearings have to hold both.`,
          mend: 'With one of them of the other hand they push against each other.',
          mends: there.map((group) => ({
            label: `Turn the helices of ${countsOf(train, group)} round`,
            apply: (now: Train) => turnedRound(now, group),
          })),
        },
        { gears: own, members: [member.id] },
      ),
    ];
  });
}

/** The position in which two groups together push a member farthest one way; null where they never do. */
function worstThrust(train: Train, own: readonly string[], groups: readonly Group[]) {
  let worst: { readonly position: string; readonly thrusts: readonly number[] } | null = null;
  let most = 0;
  for (const { id, name } of train.positions) {
    const forces = meshForces(modelOf(train).solvedIn(id), { torqueNm: TORQUE_NM, speedRpm: null });
    const thrusts = groups.map((group) =>
      train.meshes.reduce((sum, mesh) => {
        const found = forces.get(mesh.id);
        const at = mesh.gears.findIndex((gear) => own.includes(gear) && group.includes(gear));
        return !found || at < 0 ? sum : sum + (at === 0 ? 1 : -1) * found.axialN * copiesOf(train, mesh);
      }, 0),
    );
    const [one = 0, two = 0] = thrusts;
    if (one * two <= 0 || Math.abs(one + two) <= most) continue;
    most = Math.abs(one + two);
    worst = { position: name || id, thrusts };
  }
  return worst;
}

const countsOf = (train: Train, group: Group): string =>
  train.gears.flatMap(({ id, teeth }) => (group.includes(id) ? [String(teeth)] : [])).join(' and ');

function turnedRound(train: Train, group: Group): Edit {
  let edit: Edit = { ok: true, train };
  for (const { id, helix } of train.gears)
    if (edit.ok && helix && group.includes(id)) edit = changeGear(edit.train, id, { helix: -helix });
  return edit;
}
