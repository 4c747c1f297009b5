import { required } from '@/core/required';
import { readWritten, search } from '@/core/tooth-search';
import { readWritten as readTrain } from '@/core/written-form';
import { demoTrain } from '@/testing/demo-train';
import { firstForm, writtenSearch } from './form';
import { openingFor } from './opening';

test.each(['stirrer', 'draisine-hub', 'ferry-hub', 'harvester'])(
  'the search of %s, which has planets, opens with its own counts, which meet its own ratios',
  (id) => {
    const train = demoTrain(id);
    const form = openingFor(train, firstForm(train, null));
    expect(form.kind).toBe('fit');
    const read = readWritten(writtenSearch(form, train));
    if (!read.ok) throw new Error(read.problems[0].message);
    const [best] = search(read.value, train).findings;
    expect(best?.error).toBe(0);
  },
);

test('a chain of pairs is asked for as many stages; without a train the screen opens with two', () => {
  const spinner = demoTrain('salt-spinner');
  const form = openingFor(spinner, firstForm(spinner, null));
  expect([form.kind, form.stages]).toEqual(['chains', [4, 4]]);
  expect(firstForm(null, null).stages).toEqual([2, 2]);
});

test('a train with several outputs is asked for one chain that is tapped for them', () => {
  const dial = demoTrain('tide-dial');
  const form = openingFor(dial, firstForm(dial, null));
  expect(form.kind).toBe('outputs');
  expect(form.outputs.map(({ name, wanted, turning }) => [name, wanted.ratio, turning])).toEqual([
    ['tide hand', '236/19', 'same'],
    ['day hand', '24', 'same'],
    ['season hand', '43848/5', 'opposite'],
  ]);
  expect([form.toFirst, form.between]).toEqual([
    [2, 2],
    [2, 3],
  ]);
});

test('hands faster and slower than the input are met exactly by the chain that the form asks for', () => {
  const { train } = readTrain(`train Harbour clock
input minute arbor
output hour hand, second arbor
pair: 24 on minute arbor drives 8 on third arbor
pair: 16 on third arbor drives 8 on second arbor
pair: 10 on minute arbor drives 30 on motion arbor
pair: 8 on motion arbor drives 32 on hour hand
`);
  const form = openingFor(required(train), firstForm(train, null));
  expect(form.outputs.map(({ name, wanted }) => [name, wanted.ratio])).toEqual([
    ['second arbor', '1/6'],
    ['hour hand', '12'],
  ]);
  // From the second arbor to the hour hand is 72: two stages of at most 100/8 each, which keep the sense.
  expect([form.wheels.min, form.wheels.max, form.toFirst, form.between]).toEqual(['8', '100', [2, 2], [2, 2]]);
  const asked = readWritten(writtenSearch(form, train));
  if (!asked.ok) throw new Error(asked.problems[0].message);
  const { findings } = search(asked.value, train);
  expect(findings[0]?.error).toBe(0);
});
