import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { networkOf, openTrain } from '../kinematics';
import { toFraction } from '../rational';
import { solveEngaged, type Solved } from '../solve';
import { partsById, type Train } from '../train';
import { modelOf } from '.';

const figures = ({ status, ratio, efficiency }: Solved) => [
  status,
  ratio && toFraction(ratio),
  efficiency && toFraction(efficiency),
];

test('a document has one model, made of it; another document of the same content has its own', () => {
  const train = demoTrain('harvester');
  expect(modelOf(train)).toBe(modelOf(train));
  expect(modelOf({ ...train })).not.toBe(modelOf(train));
  expect(modelOf(train).open).toBe(modelOf(train).open);
  expect(modelOf(train).open.network).toBe(modelOf(train).network);
});

test('what it solves is what a train that is opened for it gives, of every kind of train, with and without losses', () => {
  fc.assert(
    fc.property(arbitraryTrain({ oneWays: true, outputs: true, worms: true, planetsOnPlanets: true }), (train) => {
      const engaged = train.couplers.filter((_, i) => i % 2 === 0).map(({ id }) => id);
      const own: Train = { ...train, positions: [{ id: 'p', name: 'p', engaged }] };
      const model = modelOf(own);
      for (const losses of [false, true]) {
        const alone = figures(solveEngaged(openTrain(networkOf(own)), engaged, { losses }));
        expect(figures(model.solve(engaged, { losses }))).toEqual(alone);
        expect(figures(model.positions({ losses }).get('p')!)).toEqual(alone);
        expect(model.positions({ losses }).get('p')).toBe(model.solvedIn('p', { losses }));
        expect(model.solvedIn('p', { losses })).toBe(model.solvedIn('p', { losses }));
      }
    }),
    { numRuns: 60 },
  );
});

test('what is derived is made once for each function, however many documents come in between', () => {
  const train = demoTrain('pan-rake');
  let made = 0;
  const count = ({ gears }: Train) => ((made += 1), gears.length);
  const model = modelOf(train);
  expect([model.derive(count), model.derive(count)]).toEqual([train.gears.length, train.gears.length]);
  for (let i = 0; i < 40; i++) modelOf({ ...train, name: `copy ${i}` }).derive(count);
  expect(made).toBe(41);
  // As long as someone holds it, it is the train's model.
  expect(modelOf(train)).toBe(model);
  expect(model.derive(count)).toBe(train.gears.length);
  expect(made).toBe(41);
});

describe('parts by id', () => {
  test('are the parts of the document, by another look through its lists', () => {
    for (const name of ['harvester', 'mud-tram', 'crawler', 'pan-rake']) {
      const train = demoTrain(name);
      const parts = partsById(train);
      for (const gear of train.gears) {
        expect(parts.gear(gear.id)).toBe(gear);
        expect(parts.gearsOn(gear.member)).toEqual(train.gears.filter(({ member }) => member === gear.member));
      }
      for (const mesh of train.meshes) {
        const [a, b] = parts.pair(mesh);
        expect([a.id, b.id]).toEqual(mesh.gears);
        expect([parts.mate(mesh, a.id), parts.mate(mesh, b.id)]).toEqual([b, a]);
      }
      for (const coupler of train.couplers)
        expect(parts.slidMesh(coupler)?.id ?? null).toBe('mesh' in coupler ? coupler.mesh : null);
      for (const position of train.positions) expect(parts.position(position.id)).toBe(position);
      for (const member of train.members) expect(parts.find.member(member.id)).toBe(member);
    }
  });

  test('one that is not there is undefined when looked for, and an error that names it when it must be there', () => {
    const parts = partsById(demoTrain('harvester'));
    expect([parts.find.gear('no such'), parts.find.position(null), parts.find.coupler(undefined)]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
    expect(() => parts.gear('no such')).toThrow('There is no gear "no such".');
    expect(() => parts.member('frame')).toThrow('There is no member "frame".');
    expect(parts.gearsOn('no such')).toEqual([]);
  });
});
