import { demoTrain } from '@/testing/demo-train';
import { done } from '@/testing/edited';
import type { Train } from '../schema';
import { addSelector, putOnSelector, removeSelector, renameSelector, setSpan } from './selectors';

const RAKE = demoTrain('pan-rake');
const spansOf = (train: Train, at: number) =>
  train.selectors![at]!.spans.map(({ coupler, from, to }) => `${coupler} ${from} to ${to}`);

test('couplers are put on sleeves one after another, moved with their stretches, and taken off', () => {
  const two = done(addSelector(done(addSelector(RAKE, 'sleeve')), 'sleeve'));
  expect(two.selectors!.map(({ name }) => name)).toEqual(['sleeve', 'sleeve 2']);
  const [sleeve, other] = two.selectors!.map(({ id }) => id);
  const first = done(putOnSelector(two, 'first', sleeve!));
  const both = done(putOnSelector(first, 'second', sleeve!));
  expect(spansOf(both, 0)).toEqual(['first 0 to 6', 'second 8 to 14']);
  const typed = done(setSpan(both, sleeve!, 1, { from: 9.25, to: 12 }));
  const moved = done(putOnSelector(typed, 'second', other!));
  expect([spansOf(moved, 0), spansOf(moved, 1)]).toEqual([['first 0 to 6'], ['second 9.25 to 12']]);
  // What did not change is the same part.
  expect(moved.members).toBe(both.members);
  const off = done(putOnSelector(moved, 'second', null));
  expect(off.selectors![1]!.spans).toEqual([]);
  expect(done(removeSelector(done(removeSelector(off, sleeve!)), other!)).selectors).toBeUndefined();
});

test('names, stretches that end before they begin, and what is not there are refused with a sentence', () => {
  const one = done(addSelector(RAKE, 'drum'));
  expect(done(renameSelector(one, 'drum', ' fork ')).selectors![0]!.name).toBe('fork');
  expect(renameSelector(one, 'drum', ' ')).toEqual({ ok: false, message: 'Give the sleeve a name.' });
  expect(renameSelector(one, 'none', 'x')).toEqual({ ok: false, message: 'There is no sleeve or drum "none".' });
  const put = done(putOnSelector(one, 'first', 'drum'));
  expect(setSpan(put, 'drum', 0, { from: 5, to: 5 })).toEqual({
    ok: false,
    message: 'A stretch ends behind where it begins.',
  });
  expect(setSpan(put, 'drum', 0, { from: 0, to: Infinity }).ok).toBe(false);
});
