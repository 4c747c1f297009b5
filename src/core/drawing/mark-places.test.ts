import { demoNames, demoTrain } from '@/testing/demo-train';
import { drawSideView, markPlaces, SPACES } from '.';
import { labelBox, overlap } from './geometry';

test('marks of parts stand on no name, count or coupler, and not on one another', () => {
  for (const name of demoNames()) {
    const train = demoTrain(name);
    const drawn = drawSideView(train, SPACES.bench);
    if (!drawn.ok) throw new Error(drawn.why);
    const { view } = drawn;
    const [coupler] = train.couplers;
    const parts = [
      ...train.couplers.slice(0, 3).map(({ id }) => id),
      ...train.gears.slice(0, 3).map(({ id }) => id),
      train.input,
      ...(coupler ? [coupler.id, coupler.id] : []),
    ];
    const places = markPlaces(view, parts).flatMap((at) => at ?? []);
    expect(places.length).toBeGreaterThanOrEqual(3);
    const boxes = places.map(({ x, y }) => ({ left: x - 10, right: x + 10, top: y - 10, bottom: y + 10 }));
    boxes.forEach((box, i) => {
      const hit = view.labels.filter((label) => overlap(labelBox(label), box)).map(({ text }) => text);
      expect([name, hit]).toEqual([name, []]);
      expect(boxes.slice(i + 1).some((other) => overlap(box, other))).toBe(false);
    });
  }
});

test('what is not drawn has no mark', () => {
  const drawn = drawSideView(demoTrain('sluice-winch'), SPACES.bench);
  if (!drawn.ok) throw new Error(drawn.why);
  expect(markPlaces(drawn.view, ['nothing'])).toEqual([null]);
});
