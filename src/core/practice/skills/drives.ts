import { meshRoles } from '../../powerflow';
import { memberName } from '../../words';
import type { AskSkill } from './skill';
import { partsById } from '../../train';

const NOTHING = 'neither: no power goes through';

/** Which gear of a mesh drives the other, here. */
export const drives: AskSkill = ({ train, driving, central }, draw) => {
  const place = draw.pick(driving);
  const parts = partsById(train);
  const fixed = train.meshes.filter((mesh) => mesh.gears.every((id) => central.includes(parts.gear(id).member)));
  const mesh = draw.pick(fixed);
  if (!place || !mesh) return undefined;
  const role = meshRoles(place.solved).get(mesh.id) ?? 'idle';
  // Gears that are alike are told apart by what they mesh with: here that stands beside them.
  const [a, b] = parts.pair(mesh).map(({ teeth, member }) => `${teeth} on ${memberName(train, member)}`) as [
    string,
    string,
  ];
  const value =
    role === 'a drives' ? a : role === 'b drives' ? b : role === 'idle' || role === 'stands' ? NOTHING : null;
  if (value === null || a === b) return undefined;
  const [first, second] = draw.shuffled([a, b]) as [string, string];
  return {
    position: place.id,
    text: `In position ${place.name}: ${first} meshes with ${second}. Which of the two drives the other?`,
    answer: { kind: 'choice', value, choices: [first, second, NOTHING] },
    slips: [],
    working: [
      value === NOTHING
        ? 'No power goes through this mesh: both turn idle, or are stationary.'
        : `${value} drives ${value === a ? b : a}.`,
    ],
  };
};
