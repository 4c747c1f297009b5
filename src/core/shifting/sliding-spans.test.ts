import { demoTrain } from '@/testing/demo-train';
import type { Train } from '../train';
import { slidingSpans } from './sliding-spans';
import { travelOf } from './travel';

/** A wheel of 6 mm that slides between two of 8 and 10 mm, a station to either side. */
const BOX: Train = {
  format: 'tin-wheel/train',
  version: 1,
  name: 'Sliding wheels',
  members: ['in', 'slow', 'fast'].map((id) => ({ id, name: id })),
  gears: [
    { id: 's', member: 'in', teeth: 20, type: 'external', station: 0, faceWidth: 6 },
    { id: 'left', member: 'slow', teeth: 60, type: 'external', station: -1, faceWidth: 8 },
    { id: 'right', member: 'fast', teeth: 30, type: 'external', station: 1, faceWidth: 10 },
    { id: 'slow x', member: 'slow', teeth: 20, type: 'external', station: 3, faceWidth: 6 },
    { id: 'fast x', member: 'fast', teeth: 20, type: 'external', station: 3, faceWidth: 6 },
  ],
  meshes: [
    { id: 'm1', gears: ['left', 's'] },
    { id: 'm2', gears: ['s', 'right'] },
    { id: 'm3', gears: ['slow x', 'fast x'] },
  ],
  couplers: [
    { id: 'one', name: 'one', type: 'sliding-mesh', mesh: 'm1' },
    { id: 'two', name: 'two', type: 'sliding-mesh', mesh: 'm2' },
  ],
  positions: [
    { id: '1', name: '1', engaged: ['one'] },
    { id: '2', name: '2', engaged: ['two'] },
  ],
  input: 'in',
  outputs: ['slow'],
};

test('faces overlap from half the sum of their widths before to as much behind, by hand', () => {
  const [selector, ...more] = slidingSpans(BOX, 20);
  expect(more).toEqual([]);
  expect(selector).toMatchObject({ name: 'in, sliding' });
  // (6 + 8)/2 round −20 mm, (6 + 10)/2 round 20 mm.
  expect(selector!.spans).toEqual([
    { coupler: 'one', from: -27, to: -13 },
    { coupler: 'two', from: 12, to: 28 },
  ]);
  const statuses = travelOf(BOX, [selector!])
    .get(selector!.id)!
    .map(({ status }) => status);
  expect(statuses).toEqual(['drive', 'neutral', 'drive']);
});

test('stations so near that both wheels mesh at once lock it, found by the solver', () => {
  const [selector] = slidingSpans(BOX, 5);
  expect(
    travelOf(BOX, [selector!])
      .get(selector!.id)!
      .map(({ status }) => status),
  ).toEqual(['drive', 'locked', 'drive']);
});

test('couplers that a selector works already, and wheels without a width, get none', () => {
  const worked = {
    ...BOX,
    selectors: [
      {
        id: 'fork',
        name: 'fork',
        spans: [
          { coupler: 'one', from: 0, to: 1 },
          { coupler: 'two', from: 2, to: 3 },
        ],
      },
    ],
  };
  expect(slidingSpans(worked, 20)).toEqual([]);
  expect(
    slidingSpans(demoTrain('pan-rake'), 20)
      .flatMap(({ spans }) => spans)
      .every(({ from, to }) => to > from),
  ).toBe(true);
});
