import { lockSet, solveEngaged } from '../../solve';
import { couplerName, listed } from '../../words';
import { size } from '../subject';
import type { AskSkill } from './skill';

const CHOICES = ['drive', 'neutral', 'locked'] as const;

/** Whether a set of engaged elements drives, leaves the input free, or ties everything up. */
export const status: AskSkill = ({ train, open }, draw) => {
  const able = train.couplers
    .filter((one) => one.type !== 'one-way' || one.control === 'selectable')
    .map(({ id }) => id);
  const most = Math.max(0, ...train.positions.map(({ engaged }) => engaged.length)) + 1;
  const engaged = draw.shuffled(able).slice(0, draw.whole(0, Math.min(most, able.length)));
  const solved = solveEngaged(open, engaged);
  // An output that is forced to stand, or several that share, are none of the three.
  const value = CHOICES.find((one) => one === solved.status);
  if (able.length === 0 || value === undefined) return undefined;
  const names = engaged.map((id) => couplerName(train, id));
  return {
    position: null,
    text:
      `With ${names.length === 0 ? 'nothing' : listed(names)} engaged: ` +
      'does the train drive, is it neutral, or is it locked?',
    answer: { kind: 'choice', value, choices: CHOICES },
    slips: [],
    working:
      value === 'locked'
        ? [`Tied up by ${listed(lockSet(solved).map((id) => couplerName(train, id)))}.`]
        : [
            value === 'neutral'
              ? 'Neutral: nothing that is engaged leads from the input to an output.'
              : `It drives${solved.ratio ? `, ${size(solved.ratio)} in/out` : ''}.`,
          ],
  };
};
