import { demoTrain } from '@/testing/demo-train';
import { bodyOf } from '../body';
import { refusalText } from '../result';
import type { Train } from '../train';
import { touchingFindings } from '.';

function found(train: Train) {
  const made = bodyOf(train);
  if (!made.ok) throw new Error(refusalText(made));
  return touchingFindings(train, made.value);
}

const sized = (train: Train): Train => ({ ...train, gears: train.gears.map((gear) => ({ ...gear, module: 2 })) });

test('members that want the same room are named with the place where sizes are known', () => {
  const [first] = found(sized(demoTrain('pan-rake')));
  expect(first).toMatchObject({ kind: 'touching', weight: 'wrong', members: ['in', 'lay'] });
  expect(first?.why).toMatch(/^They meet \d+ mm along the axis and \d+ mm out from it/);
});

test('without sizes it is a note that may be the drawing’s doing', () => {
  const [first] = found(demoTrain('pan-rake'));
  expect(first).toMatchObject({ weight: 'note' });
  expect(first?.why).toContain('Sizes are not known yet');
});

test('a train whose drums nest has none', () => {
  expect(found(demoTrain('harvester'))).toEqual([]);
});
