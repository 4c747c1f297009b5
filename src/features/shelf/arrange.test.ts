import { summariseTrain } from '@/core/gear-chart';
import { demoTrain } from '@/testing/demo-train';
import { type ReadableEntry, type ShelfEntry } from '@/wire';
import { arrange } from './arrange';

const NAMES = ['pan-rake', 'sluice-winch', 'harvester', 'range-box', 'brine-lift'];
const entries: ReadableEntry[] = NAMES.map((id, i) => ({
  id,
  name: demoTrain(id).name,
  version: 1,
  updatedAt: `2026-11-${10 + i}T00:00:00.000Z`,
  ...summariseTrain(demoTrain(id)),
}));
const ids = (found: readonly ShelfEntry[]) => found.map(({ id }) => id);

describe('what the shelf says of a train', () => {
  test('ratios from least to most, and the spread of the forward ones', () => {
    const rake = entries[0]!;
    expect(rake).toMatchObject({ positions: 7, ratios: { least: '1', most: '64/13' }, spread: '64/13' });
    expect(entries[1]!.spread).toBeNull();
  });
});

describe('finding and sorting', () => {
  test('by every word, in name or notes, however written', () => {
    expect(ids(arrange(entries, '', 'name'))).toEqual([
      'brine-lift',
      'range-box',
      'harvester',
      'pan-rake',
      'sluice-winch',
    ]);
    expect(ids(arrange(entries, 'BRINE', 'name'))).toEqual(['brine-lift', 'range-box']);
    expect(ids(arrange(entries, 'brine forty', 'name'))).toEqual(['range-box']);
    expect(ids(arrange(entries, 'no such thing', 'name'))).toEqual([]);
  });

  test('what does not read is found by its name and comes last where figures sort', () => {
    const broken: ShelfEntry = {
      id: 'broken',
      name: 'Aftmost winch',
      version: 3,
      updatedAt: '2026-11-20T00:00:00.000Z',
      unreadable: 'This is not JSON.',
    };
    const all = [broken, ...entries];
    expect(ids(arrange(all, 'aftmost', 'name'))).toEqual(['broken']);
    expect(ids(arrange(all, '', 'name'))[0]).toBe('broken');
    for (const sort of ['positions', 'spread'] as const) expect(ids(arrange(all, '', sort)).at(-1)).toBe('broken');
  });

  test('by last change, positions and spread, most first; what has no spread comes last', () => {
    expect(ids(arrange(entries, '', 'changed'))).toEqual([...NAMES].reverse());
    expect(ids(arrange(entries, '', 'positions')).slice(0, 2)).toEqual(['range-box', 'harvester']);
    // One position has no spread.
    expect(ids(arrange(entries, '', 'spread'))).toEqual([
      'range-box',
      'harvester',
      'pan-rake',
      'brine-lift',
      'sluice-winch',
    ]);
  });
});
