import { drawSideView } from '@/core/drawing';
import { memberForces, meshForces } from '@/core/forces';
import { modelOf } from '@/core/model';
import { required } from '@/core/required';
import { demoTrain } from '@/testing/demo-train';
import { bearingPlaces, meshPlaces } from './force-places';

const use = { torqueNm: 4, speedRpm: null };

function drawn(name: string) {
  const train = demoTrain(name);
  const drawing = drawSideView(train, { width: 900, height: 500 });
  if (!drawing.ok) throw new Error(drawing.why);
  const forces = meshForces(modelOf(train).solvedIn(required(train.positions[0]).id), use);
  return { train, view: drawing.view, forces, members: memberForces(train, forces) };
}

test('each bearing is on its axis, at one of the places where it is drawn, with what the balance gives', () => {
  const { train, view, members } = drawn('pump-step-down');
  const places = bearingPlaces(view, members);
  expect(places).toHaveLength(2 * train.members.length);
  for (const { id } of train.members) {
    const [first, second] = [0, 1].map((i) => required(places.find(({ key }) => key === `${id} ${i}`)));
    const { bearings } = required(required(members.get(id)).shaft);
    expect(first!.x).toBeLessThan(second!.x);
    expect(first!.y).toBe(second!.y);
    for (const { x, y } of [first!, second!]) expect(view.bearings).toContainEqual({ x, y });
    [first!, second!].forEach((one, i) => {
      expect(Math.hypot(one.through, one.down)).toBeCloseTo(bearings[i]!.n, 9);
      expect(one.n).toBe(bearings[i]!.n);
    });
  }
});

test('a mesh has its force where its pitch lines touch', () => {
  const { train, view, forces } = drawn('pump-step-down');
  const places = meshPlaces(train, view, forces);
  expect(places.map(({ key }) => key)).toEqual(train.meshes.map(({ id }) => id));
  for (const { key, x, y, right } of places) {
    const gears = required(train.meshes.find(({ id }) => id === key)).gears;
    const [one, two] = gears.map((id) => required(view.gears.find(({ gear }) => gear === id)));
    expect(x).toBe(one!.x);
    expect(Math.abs(Math.abs(one!.y - y) - one!.radius)).toBeLessThan(2);
    expect(Math.abs(Math.abs(two!.y - y) - two!.radius)).toBeLessThan(2);
    expect(right).toBe(required(forces.get(key)).axialN);
  }
});

test('where no bearings are given there is nothing to draw at them', () => {
  const { view, members } = drawn('sluice-winch');
  expect(bearingPlaces(view, members)).toEqual([]);
});
