import { openTrain, networkOf } from '../kinematics';
import { lockSet, solveEngaged } from '../solve';
import type { Train } from '../train';
import { finding, type Finding } from './finding';

/** Positions that lock, and positions that engage the same couplers. */
export function positionFindings(train: Train): Finding[] {
  const open = openTrain(networkOf(train));
  const name = (id: string) => train.couplers.find((coupler) => coupler.id === id)?.name || id;
  const seen = new Map<string, string>();
  return train.positions.flatMap((position): Finding[] => {
    const found: Finding[] = [];
    const key = [...position.engaged].sort().join('\n');
    const twin = seen.get(key);
    if (twin === undefined) seen.set(key, position.name);
    else found.push(finding('duplicate', 'note', { what: `Positions ${twin} and ${position.name} engage the same.`, why: 'They are one position under two names.', mend: 'Delete one of them, or change what it engages.' }, { positions: [position.id] }));
    const solved = solveEngaged(open, position.engaged);
    if (solved.status === 'locked') {
      const fighting = lockSet(solved).map(name);
      found.push(finding('locked', 'wrong', { what: `Position ${position.name} locks the input.`, why: fighting.length > 0 ? `${fighting.join(', ')} together leave nothing that can turn.` : 'The meshes alone leave nothing that can turn.', mend: 'Release one of them in this position.' }, { positions: [position.id] }));
    }
    return found;
  });
}
