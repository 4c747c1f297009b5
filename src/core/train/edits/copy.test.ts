import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { done, ratio, refusal } from '@/testing/edited';
import { checkTrain } from '../parse';
import { copyPart, pastePart, readClip, removePart, setTeeth, toggleOutput, type Clip } from '.';

const rake = demoTrain('pan-rake');
const winch = demoTrain('sluice-winch');
const stirrer = demoTrain('stirrer');
const clipOf = (clip: Clip | null): Clip => clip!;

describe('copy and paste', () => {
  test('a wheel comes with its clutch and a driver beside the first, and drives like the one it is copied from', () => {
    const pasted = pastePart(rake, clipOf(copyPart(rake, { kind: 'member', id: 'w2' })));
    const train = done(pasted);
    expect(pasted.ok && pasted.added).toEqual({ kind: 'member', id: 'w2 2' });
    expect(train.members.at(-1)).toEqual({ id: 'w2 2', name: 'second wheel 2' });
    expect(train.meshes.at(-1)!.gears).toEqual(['g3a 2', 'g3b 2']);
    expect(train.gears.at(-1)).toEqual({ id: 'g3a 2', member: 'lay', teeth: 19, type: 'external', module: 2.5 });
    expect(train.couplers.at(-1)).toMatchObject({ name: 'Second 2', joins: ['w2 2', 'out'] });
    expect(ratio(train, [train.couplers.at(-1)!.id])).toBe(ratio(rake, ['second']));
    expect(train.positions).toEqual(rake.positions);
  });

  test('a carrier comes with its planets', () => {
    const train = done(pastePart(stirrer, clipOf(copyPart(stirrer, { kind: 'member', id: 'arm' }))));
    expect(train.members.slice(-2)).toEqual([
      { id: 'arm 2', name: 'carrier 2' },
      { id: 'p1 2', name: 'planet 2', carrier: 'arm 2', copies: 3 },
    ]);
    expect(ratio(done(toggleOutput(done(toggleOutput(train, 'arm 2')), 'arm')), ['hold'])).toBe('4');
  });

  test('an idler, and a planet beside others on its carrier, share what they mesh with', () => {
    const idler = done(pastePart(winch, clipOf(copyPart(winch, { kind: 'member', id: 'idler' }))));
    expect(idler.meshes.slice(-2).map(({ gears }) => gears)).toEqual([
      ['c', 'i 2'],
      ['i 2', 'l'],
    ]);
    const planet = done(pastePart(stirrer, clipOf(copyPart(stirrer, { kind: 'member', id: 'p1' }))));
    expect(planet.gears.length).toBe(stirrer.gears.length + 1);
    expect(ratio(planet, ['hold'])).toBe('4');
  });

  test('pasting twice numbers on, and the copies are changed one by one', () => {
    const clip = clipOf(copyPart(rake, { kind: 'member', id: 'w2' }));
    const twice = done(pastePart(done(pastePart(rake, clip)), clip));
    expect(twice.members.slice(-2).map(({ name }) => name)).toEqual(['second wheel 2', 'second wheel 3']);
    const changed = done(setTeeth(twice, 'g3b 3', 38));
    expect([ratio(changed, ['second 2']), ratio(changed, ['second 3'])]).toEqual(['1024/361', '64/19']);
  });

  test('into another train it comes without its connections', () => {
    const train = done(pastePart(winch, clipOf(copyPart(rake, { kind: 'member', id: 'w2' })), true));
    expect(train.members.at(-1)!.name).toBe('second wheel');
    // The winch has a gear g3a too, but it is another one.
    expect([train.couplers, train.meshes]).toEqual([[], winch.meshes]);
    expect(checkTrain(train).ok).toBe(true);
  });

  test('a gear alone, or a clutch, needs the members it belongs to', () => {
    expect(refusal(pastePart(winch, clipOf(copyPart(rake, { kind: 'gear', id: 'g2b' })), true))).toContain(
      'Copy the whole shaft or carrier instead',
    );
    expect(refusal(pastePart(winch, clipOf(copyPart(rake, { kind: 'coupler', id: 'first' })), true))).not.toBeNull();
    expect(
      done(pastePart(rake, clipOf(copyPart(rake, { kind: 'coupler', id: 'first' })))).couplers.at(-1),
    ).toMatchObject({ name: 'First 2', joins: ['w1', 'out'] });
    expect(copyPart(rake, { kind: 'mesh', id: 'm1' })).toBeNull();
    expect(copyPart(rake, { kind: 'gear', id: 'none' })).toBeNull();
  });

  test('what is pasted and removed again leaves any train as it was', () => {
    fc.assert(
      fc.property(arbitraryTrain(), fc.nat(), (train, at) => {
        const member = train.members[at % train.members.length]!;
        const pasted = pastePart(train, clipOf(copyPart(train, { kind: 'member', id: member.id })));
        if (!pasted.ok) return expect(pasted.message.length).toBeGreaterThan(10);
        expect(checkTrain(pasted.train).ok).toBe(true);
        const left = done(removePart(pasted.train, pasted.added));
        // The mates that the copy got stay on their shafts, and mesh nothing.
        expect({ ...left, gears: left.gears.slice(0, train.gears.length) }).toEqual(train);
      }),
      { numRuns: runs(100) },
    );
  });

  test('a clip survives the clipboard, and foreign text is no clip', () => {
    const clip = copyPart(rake, { kind: 'member', id: 'w2' });
    expect(readClip(JSON.stringify(clip))).toEqual(clip);
    for (const text of ['', 'hello', '{}', '[1]', '{"part":{"kind":"gear"}}', JSON.stringify({ ...clip, extra: 1 })])
      expect(readClip(text)).toBeNull();
  });
});
