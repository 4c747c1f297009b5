import { isZero } from '../../rational';
import type { Train } from '../../train';
import { gearName, listed, memberName } from '../../words';
import type { AskSkill } from './skill';
import { modelOf } from '../../model';

/** What the input still turns when a gear is taken out. */
export const removed: AskSkill = ({ train, driving, central }, draw) => {
  const place = draw.pick(driving);
  const gear = draw.pick(train.gears);
  if (!place || !gear) return undefined;
  const without = withoutGear(train, gear.id);
  const left = new Set(without.couplers.map(({ id }) => id));
  const solved = modelOf(without).solve(place.engaged.filter((id) => left.has(id)));
  if (solved.status === 'locked') return undefined;
  const value = central
    .filter((id) => {
      const speed = solved.state.speeds.of(solved.network.memberIds.indexOf(id));
      return speed !== null && !isZero(speed);
    })
    .sort();
  return {
    position: place.id,
    text:
      `In position ${place.name} the gear of ${gearName(train, gear)} is taken out. ` +
      'Which members does the input still turn, itself included?',
    answer: { kind: 'parts', value, of: 'members', choices: central },
    slips: [],
    working: [
      `Without it the train is ${solved.status === 'drive' ? 'still driving' : solved.status}; still ` +
        `turned: ${listed(value.map((id) => memberName(train, id))) || 'nothing'}.`,
    ],
  };
};

/** The train with a gear and its meshes gone, and what slid them. */
const withoutGear = (train: Train, gear: string): Train => {
  const gone = new Set(train.meshes.filter(({ gears }) => gears.includes(gear)).map(({ id }) => id));
  return {
    ...train,
    gears: train.gears.filter(({ id }) => id !== gear),
    meshes: train.meshes.filter(({ id }) => !gone.has(id)),
    couplers: train.couplers.filter((one) => one.type !== 'sliding-mesh' || !gone.has(one.mesh)),
  };
};
