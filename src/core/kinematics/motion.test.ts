import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { motionsOf, willisRows, type Row } from '@/testing/willis-rows';
import { demoTrain } from '@/testing/demo-train';
import { add, isZero, mul, ONE, sub, toFraction, ZERO, type Rational } from '../rational';
import { modelOf } from '../model';
import {
  FRAME_INDEX,
  imposeTies,
  isStationary,
  leadForm,
  memberForm,
  mobility,
  networkOf,
  openMotion,
  openTrain,
  planetarySets,
  speedsPerTurn,
  type Tie,
} from '.';

const dot = (a: Row, b: Row): Rational => a.reduce((total, value, i) => add(total, mul(value, b[i]!)), ZERO);
const everyKind = arbitraryTrain({ oneWays: true, outputs: true, worms: true, planetsOnPlanets: true });

test('the open train has the motions that its pairs leave, no more and no fewer', () => {
  fc.assert(
    fc.property(everyKind, (train) => {
      const open = openTrain(networkOf(train));
      const rows = willisRows(train, false);
      expect(open.size).toBe(motionsOf(rows, train.members.length).length);
      // Every coordinate by itself is one of them.
      for (let c = 0; c < open.size; c++) {
        const motion = open.speeds.map((speed) => speed[c]!);
        for (const row of rows) expect(isZero(dot(row, motion))).toBe(true);
      }
    }),
  );
});

test('ties take away what they must: mobility, speeds and what stands, against plain elimination', () => {
  fc.assert(
    fc.property(everyKind, fc.infiniteStream(fc.boolean()), (train, picks) => {
      const network = networkOf(train);
      const { open } = modelOf(train);
      const size = train.members.length;
      const unit = (member: number): Row => Array.from({ length: size }, (_, i) => (i === member ? ONE : ZERO));
      const engaged = network.couplers.filter(() => picks.next().value);
      const ties = engaged.map(({ acts }): Tie => acts);
      const rows = [
        ...willisRows(train, false),
        ...engaged.map(({ acts }) =>
          acts.kind === 'joins'
            ? unit(acts.a).map((value, i) => sub(value, unit(acts.b)[i]!))
            : willisRows(train, true)[acts.mesh]!,
        ),
      ];
      const motion = imposeTies(openMotion(open), ties);
      const directions = motionsOf(rows, size);
      expect(mobility(motion)).toBe(directions.length);
      const speeds = speedsPerTurn(motion, network.input);
      const drives = directions.map((direction) => direction[network.input]!);
      const at = drives.findIndex((value) => !isZero(value));
      expect(speeds.turns).toBe(at >= 0);
      network.memberIds.forEach((id, member) => {
        const values = directions.map((direction) => direction[member]!);
        expect([id, isStationary(motion, member)]).toEqual([id, values.every(isZero)]);
        if (at < 0) return;
        const scale = { n: values[at]!, d: drives[at]! };
        const settled = values.every((value, i) => isZero(sub(mul(value, scale.d), mul(scale.n, drives[i]!))));
        const found = speeds.of(member);
        expect([id, found !== null]).toEqual([id, settled]);
        if (found) expect(isZero(sub(mul(found, scale.d), scale.n))).toBe(true);
      });
      // A joint that is imposed leads by nothing, whatever else turns.
      for (const tie of ties) if (tie.kind === 'joins') expect(leadForm(motion, tie).every(isZero)).toBe(true);
    }),
  );
});

test('imposing leaves the motion that it began from as it was, and the same tie twice is one', () => {
  const train = demoTrain('pan-rake');
  const network = networkOf(train);
  const free = openMotion(openTrain(network));
  const before = mobility(free);
  const tie: Tie = { kind: 'joins', a: network.input, b: FRAME_INDEX };
  const once = imposeTies(free, [tie]);
  expect([mobility(free), mobility(once), mobility(imposeTies(once, [tie]))]).toEqual([before, before - 1, before - 1]);
  expect(memberForm(once, network.input).every(isZero)).toBe(true);
  expect(memberForm(once, FRAME_INDEX).every(isZero)).toBe(true);
});

test('a winch turned by hand: the pairs, one after the other', () => {
  const train = demoTrain('sluice-winch');
  const network = networkOf(train);
  const [position] = train.positions;
  const engaged = network.couplers.filter(({ coupler }) => position!.engaged.includes(coupler.id));
  const motion = imposeTies(
    openMotion(openTrain(network)),
    engaged.map(({ acts }): Tie => acts),
  );
  expect(toFraction(speedsPerTurn(motion, network.input).of(network.outputs[0]!)!)).toBe('-1/12');
});

test('sets: planets that mesh are one, and every orbiting pair is in the set of its planet', () => {
  fc.assert(
    fc.property(everyKind, (train) => {
      const network = networkOf(train);
      const sets = planetarySets(network, network.meshes);
      const orbiting = network.meshes.filter(({ arm }) => arm !== FRAME_INDEX);
      expect(new Set(sets.flatMap(({ meshes }) => meshes))).toEqual(new Set(orbiting));
      for (const { arm, planets, meshes } of sets) {
        for (const planet of planets) expect(train.members[planet]!.carrier).toBe(network.memberIds[arm]);
        for (const mesh of meshes) expect([mesh.a, mesh.b].some((member) => planets.has(member))).toBe(true);
      }
      const planets = sets.flatMap((set) => [...set.planets]);
      expect(new Set(planets).size).toBe(planets.length);
    }),
  );
});
