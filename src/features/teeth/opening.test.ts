import { readWritten, search } from '@/core/tooth-search';
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
