import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { runs } from '@/testing/runs';
import { equals, toFraction } from '../rational';
import type { Train } from '../train';
import { modelOf } from '../model';
import { engagementsThatDrive } from '.';

test('random trains: what is offered drives at that ratio, and no single coupler that would is left out', () => {
  let [singles, pairs] = [0, 0];
  fc.assert(
    fc.property(arbitraryTrain({ oneWays: true, outputs: true, worms: true }), (train) => {
      for (const { id, engaged } of train.positions) {
        const solved = modelOf(train).solvedIn(id);
        if (solved.status !== 'neutral' && solved.status !== 'held') continue;
        const offered = engagementsThatDrive(solved);
        // Another route: a document of its own, in which the position engages these too.
        const asPosition = (more: readonly string[]) => {
          const own: Train = { ...train, positions: [{ id: 'p', name: 'p', engaged: [...engaged, ...more] }] };
          return modelOf(own).solvedIn('p');
        };
        for (const { engage, ratio } of offered) {
          const found = asPosition(engage);
          expect([found.status, found.ratio !== null && equals(found.ratio, ratio)]).toEqual(['drive', true]);
          if (engage.length === 1) singles++;
          else pairs++;
        }
        const alone = train.couplers
          .filter((one) => !engaged.includes(one.id) && !(one.type === 'one-way' && one.control !== 'selectable'))
          .filter((one) => asPosition([one.id]).status === 'drive')
          .map((one) => one.id);
        if (alone.length > 0 || offered.some(({ engage }) => engage.length === 1))
          expect(offered.map(({ engage }) => engage.join())).toEqual(alone);
      }
    }),
    { numRuns: runs(300) },
  );
  expect([singles > 0, pairs > 0]).toEqual([true, true]);
});

test('in neutral of the rake’s box each dog drives alone; the idler needs both of its slides', () => {
  const offered = engagementsThatDrive(modelOf(demoTrain('pan-rake')).solvedIn('N'));
  expect(offered.map(({ engage, ratio }) => [engage.join(), toFraction(ratio)])).toEqual([
    ['first', '64/13'],
    ['second', '1024/361'],
    ['third', '400/247'],
    ['direct', '1'],
  ]);
});
