import { abs, div, toNumber } from '../rational';
import { driveBackward, outputTorque } from '../solve';
import type { Train } from '../train';
import type { Gearing } from './operating-point';
import { modelOf } from '../model';

/** So little comes back where a one-way clutch lets go or a worm holds that the motor feels nothing of the load. */
const NOTHING = 1e-9;

/**
 * What each of these positions does between motor and load, by the solver: the size of its ratio, and what its meshes
 * let through either way.
 * @throws RangeError where one of them does not drive.
 */
export function gearingsOf(train: Train, order: readonly string[], losses: boolean): ReadonlyMap<string, Gearing> {
  const { open, solvedIn } = modelOf(train);
  return new Map(
    order.map((id) => {
      const solved = solvedIn(id, { losses });
      if (!solved.ratio) throw new RangeError(`Position "${id}" does not drive, so it has no place in the order.`);
      const backward = driveBackward(open, solved.engaged, { losses });
      const share = (value: typeof solved.efficiency) => (value ? toNumber(value) : 1);
      const out = outputTorque(solved);
      const arrives = out ? toNumber(abs(div(out, solved.ratio))) : share(solved.efficiency);
      return [
        id,
        {
          ratio: toNumber(abs(solved.ratio)),
          drive: losses ? Math.max(NOTHING, arrives) : 1,
          back:
            backward.verdict === 'drives' ? Math.max(NOTHING, losses ? share(backward.solved.efficiency) : 1) : NOTHING,
        },
      ];
    }),
  );
}
