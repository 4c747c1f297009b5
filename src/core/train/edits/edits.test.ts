import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain, withoutSizes } from '@/testing/demo-train';
import { done, ratio, refusal } from '@/testing/edited';
import { neg, toFraction } from '../../rational';
import { solveEngaged } from '../../solve';
import { checkTrain } from '../parse';
import { FRAME } from '../frame';
import {
  addCoupler,
  addGearOn,
  addIdlerBetween,
  addMeshingGear,
  addSet,
  addStep,
  changeCoupler,
  changeGear,
  changeMember,
  changeMesh,
  deletePosition,
  engageInPosition,
  joinMembers,
  keepPosition,
  makeSliding,
  movePosition,
  removePart,
  renamePosition,
  setInput,
  toggleOutput,
  partsRemovedWith,
} from '.';
import { modelOf } from '../../model';

describe('adding parts', () => {
  test('an idler turns the direction and leaves the size', () => {
    const winch = demoTrain('sluice-winch');
    const before = solveEngaged(modelOf(winch).open, []).ratio!;
    for (const teeth of [9, 40, 131])
      expect(ratio(done(addIdlerBetween(winch, 'm3', teeth)))).toBe(toFraction(neg(before)));
  });

  test('a meshing gear brings its own shaft, and can become the output', () => {
    const winch = demoTrain('sluice-winch');
    const grown = addMeshingGear(winch, 'g3b', 90);
    const train = done(grown);
    const shaft = train.gears.find(({ id }) => grown.ok && id === grown.added.id)!.member;
    expect(ratio({ ...train, outputs: [shaft] })).toBe('24');
    expect(refusal(addMeshingGear(winch, 'nothing', 20))).toContain('no gear');
  });

  test('a set round a shaft, its ring held by a brake, reduces by one and ring over sun', () => {
    const winch = demoTrain('sluice-winch');
    const set = done(addSet(winch, 'drum', 'sun', 20, 25));
    const braked = done(addCoupler(set, 'clutch', 'ring', FRAME));
    expect(braked.couplers).toEqual([{ id: 'A', name: 'A', type: 'brake', joins: ['ring', FRAME] }]);
    expect(ratio(done(toggleOutput(done(toggleOutput(braked, 'carrier')), 'drum')), ['A'])).toBe('-54');
  });

  test('a stepped planet gets a sun of its own', () => {
    const train = done(addStep(demoTrain('stirrer'), 'p1', 12, 36));
    expect(train.meshes.at(-1)!.gears).toEqual(['step gear', 'sun gear']);
    expect(refusal(addStep(train, 'sun', 12, 36))).toBe('Only a planet can be stepped.');
  });

  test('a clutch, a one-way clutch and a sliding mesh are lettered one after the other', () => {
    const rake = demoTrain('pan-rake');
    const one = done(addCoupler(rake, 'one-way', 'in', 'out'));
    const two = done(makeSliding(one, 'm2'));
    expect(two.couplers.slice(-2).map(({ id, type }) => `${id} ${type}`)).toEqual(['A one-way', 'B sliding-mesh']);
    expect(refusal(makeSliding(two, 'm2'))).not.toBeNull();
  });

  test('whatever is added to any train leaves a sound document, and what was there stays', () => {
    fc.assert(
      fc.property(arbitraryTrain(), fc.nat(), fc.integer({ min: 8, max: 90 }), (train, at, teeth) => {
        const gear = train.gears[at % train.gears.length]!;
        const member = train.members[at % train.members.length]!;
        const mesh = train.meshes[at % train.meshes.length]!;
        for (const edit of [
          addMeshingGear(train, gear.id, teeth),
          addGearOn(train, member.id, teeth),
          addIdlerBetween(train, mesh.id, teeth),
          addSet(train, member.id, 'sun', teeth, 20),
          addCoupler(train, 'clutch', member.id, FRAME),
        ]) {
          if (!edit.ok) {
            expect(edit.message.length).toBeGreaterThan(10);
            continue;
          }
          expect(checkTrain(edit.train).ok).toBe(true);
          for (const list of ['members', 'gears', 'couplers'] as const)
            expect(edit.train[list].map(({ id }) => id)).toEqual(
              expect.arrayContaining(train[list].map(({ id }) => id)),
            );
        }
      }),
      { numRuns: runs(100) },
    );
  });
});

describe('removing parts', () => {
  test('what was added goes again without a trace', () => {
    const winch = demoTrain('sluice-winch');
    const grown = addMeshingGear(winch, 'g3b', 90);
    expect(done(grown.ok ? removePart(grown.train, grown.added) : grown)).toEqual(winch);
  });

  test('says what goes along: a wheel takes its mesh and its clutch, a carrier its planets', () => {
    expect(partsRemovedWith(demoTrain('pan-rake'), { kind: 'member', id: 'w2' })).toEqual({
      gears: ['g3b'],
      members: ['w2'],
      meshes: ['m3'],
      couplers: ['second'],
    });
    expect(partsRemovedWith(demoTrain('pan-rake'), { kind: 'gear', id: 'g3b' })).toEqual({
      gears: ['g3b'],
      members: ['w2'],
      meshes: ['m3'],
      couplers: ['second'],
    });
    const { members } = partsRemovedWith(demoTrain('stirrer'), { kind: 'member', id: 'arm' });
    expect(members).toContain('p1');
  });

  test('positions forget a coupler that goes', () => {
    const train = done(removePart(demoTrain('pan-rake'), { kind: 'coupler', id: 'first' }));
    expect(train.positions.find(({ id }) => id === '1+2')!.engaged).toEqual(['second']);
  });

  test('the input and the outputs cannot go', () => {
    expect(refusal(removePart(demoTrain('sluice-winch'), { kind: 'member', id: 'crank' }))).toContain(
      'The input would go with it',
    );
    expect(refusal(removePart(demoTrain('sluice-winch'), { kind: 'member', id: 'drum' }))).toContain(
      'An output would go with it',
    );
  });

  test('any part of any train goes cleanly or is refused with a reason', () => {
    fc.assert(
      fc.property(
        arbitraryTrain(),
        fc.nat(),
        fc.constantFrom('gear', 'member', 'mesh', 'coupler'),
        (train, at, kind) => {
          const list = { gear: train.gears, member: train.members, mesh: train.meshes, coupler: train.couplers }[kind];
          fc.pre(list.length > 0);
          const { id } = list[at % list.length]!;
          const edit = removePart(train, { kind, id });
          if (edit.ok)
            expect(
              {
                gear: edit.train.gears,
                member: edit.train.members,
                mesh: edit.train.meshes,
                coupler: edit.train.couplers,
              }[kind].some((part) => part.id === id),
            ).toBe(false);
          else expect(edit.message).toMatch(/would go with it/);
        },
      ),
      { numRuns: runs(150) },
    );
  });

  test('two members become one: their clutch is no more, everything else goes over', () => {
    const train = done(joinMembers(demoTrain('pan-rake'), 'out', 'w1'));
    expect(train.couplers.map(({ id }) => id)).not.toContain('first');
    expect(ratio(train)).toBe('64/13');
  });
});

describe('changing parts', () => {
  const rake = withoutSizes(demoTrain('pan-rake'));

  test('values are changed, taken away again, and refused with a reason', () => {
    const wide = done(changeGear(rake, 'g1a', { module: 2, station: 3 }));
    expect(wide.gears[0]).toEqual({ ...rake.gears[0], module: 2, station: 3 });
    expect(done(changeGear(wide, 'g1a', { module: undefined, station: undefined }))).toEqual(rake);
    expect(refusal(changeGear(rake, 'g1a', { module: -1 }))).toContain('module');
    expect(done(changeMember(rake, 'lay', { name: 'cluster', color: '#112233' })).members[1]).toMatchObject({
      name: 'cluster',
      color: '#112233',
    });
    expect(refusal(changeMember(rake, 'lay', { copies: 3 }))).toContain('planet');
    expect(done(changeMesh(rake, 'm1', { efficiency: 0.98 })).meshes[0]!.efficiency).toBe(0.98);
    expect(refusal(changeMesh(rake, 'm1', { efficiency: 1.2 }))).toContain('at most 1');
    expect(done(changeCoupler(rake, 'first', { name: 'low', style: 'dog', capacity: 40 })).couplers[0]).toMatchObject({
      name: 'low',
      style: 'dog',
      capacity: 40,
    });
    expect(refusal(changeCoupler(rake, 'none', { name: 'x' }))).toBe('There is no coupler "none".');
  });

  test('input and outputs are chosen, and change places', () => {
    const turned = done(setInput(rake, 'out'));
    expect([turned.input, turned.outputs]).toEqual(['out', ['in']]);
    expect(refusal(toggleOutput(rake, 'in'))).toContain('cannot be an output');
    expect(refusal(toggleOutput(rake, 'out'))).toContain('needs an output');
    expect(done(toggleOutput(rake, 'lay')).outputs).toEqual(['out', 'lay']);
  });
});

describe('positions', () => {
  const rake = demoTrain('pan-rake');

  test('are kept, renamed, changed, moved and deleted', () => {
    const kept = done(keepPosition(rake, ' crawl ', ['first', 'third']));
    expect(kept.positions.at(-1)).toEqual({ id: 'crawl', name: 'crawl', engaged: ['first', 'third'] });
    expect(done(renamePosition(kept, 'crawl', 'low')).positions.at(-1)!.name).toBe('low');
    expect(done(engageInPosition(kept, 'crawl', ['first'])).positions.at(-1)!.engaged).toEqual(['first']);
    expect(done(movePosition(kept, 'crawl', -100)).positions[0]!.id).toBe('crawl');
    expect(
      done(movePosition(kept, 'R', 1))
        .positions.map(({ id }) => id)
        .slice(0, 2),
    ).toEqual(['N', 'R']);
    expect(done(deletePosition(kept, 'crawl'))).toEqual(rake);
  });

  test('need a name of their own', () => {
    expect(refusal(keepPosition(rake, ' ', []))).toContain('Give the position a name');
    expect(refusal(keepPosition(rake, 'r', []))).toBe('There is a position "r" already.');
    expect(refusal(keepPosition(rake, 'x', ['nothing']))).toContain('nothing');
  });
});
