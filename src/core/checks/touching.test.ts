import { demoTrain, withoutSizes } from '@/testing/demo-train';
import { bodyOf } from '../body';
import { refusalText } from '../result';
import type { Train } from '../train';
import { touchingFindings } from '.';

function found(train: Train) {
  const made = bodyOf(train);
  if (!made.ok) throw new Error(refusalText(made));
  return touchingFindings(train, made.value);
}

test('a drum that is led through another shaft is a note with the place where sizes are known', () => {
  const [first] = found(demoTrain('pan-rake'));
  expect(first).toMatchObject({ kind: 'touching', weight: 'note', members: ['in', 'lay'] });
  expect(first?.why).toMatch(/^They meet \d+ mm along the axis and \d+ mm out from it, as the drawing leads them/);
});

test('wheels that want the same room are wrong where sizes are known', () => {
  // As large as the other pairs, the reverse pair would mesh without its idler.
  const rake = demoTrain('pan-rake');
  const large = new Set(['ra', 'rb', 'rc']);
  const gears = rake.gears.map((gear) => (large.has(gear.id) ? { ...gear, module: 2.5 } : gear));
  const wrong = found({ ...rake, gears }).filter(({ weight }) => weight === 'wrong');
  expect(wrong.map(({ gears }) => gears)).toEqual([['rc', 'ra']]);
  expect(wrong[0]?.why).toContain('built like this they would touch');
});

test('without sizes it is a note that may be the drawing’s doing', () => {
  const [first] = found(withoutSizes(demoTrain('pan-rake')));
  expect(first).toMatchObject({ weight: 'note' });
  expect(first?.why).toContain('Sizes are not known yet');
});

test('a train whose drums nest has none', () => {
  expect(found(demoTrain('harvester'))).toEqual([]);
});
