import { demoTrain } from '@/testing/demo-train';
import { SECTIONS, sheetOf, type SheetBlock, type SectionKey, type SheetAsked } from '.';
import { toFraction } from '../rational';
import { modelOf } from '../model';

const ALL = Object.keys(SECTIONS) as SectionKey[];
const asked = (change: Partial<SheetAsked> = {}): SheetAsked => ({
  sections: ALL,
  style: 'sheet',
  convention: 'in/out',
  speedRpm: 600,
  torqueNm: 2,
  ...change,
});
const blocks = (name: string, key: SectionKey, change: Partial<SheetAsked> = {}) =>
  sheetOf(demoTrain(name), asked(change)).sections.find((section) => section.key === key)?.blocks ?? [];
const tables = (found: readonly SheetBlock[]) => found.filter((block) => block.kind === 'table');

test.each(['pan-rake', 'mud-tram', 'harvester', 'stirrer', 'brine-lift', 'sluice-winch'])(
  '%s: its sections stand in their order, every table row is as long as its head, every unit is named',
  (name) => {
    const { sections, convention } = sheetOf(demoTrain(name), asked());
    expect(sections.map(({ key }) => key)).toEqual(ALL.filter((key) => sections.some((one) => one.key === key)));
    expect(sections.map(({ key }) => key)).toEqual(expect.arrayContaining(['side-view', 'chart', 'parts', 'cautions']));
    expect(convention).toContain('in/out');
    for (const table of tables(sections.flatMap((section) => section.blocks)))
      for (const row of table.rows) expect(row).toHaveLength(table.head.length);
  },
);

test('the chart has the solver’s ratios, the other way round where that is chosen', () => {
  const solved = modelOf(demoTrain('pan-rake')).positions();
  const exactIn = (convention: SheetAsked['convention']) => {
    const [chart] = tables(blocks('pan-rake', 'chart', { convention }));
    const [name, exact] = [0, chart!.head.indexOf('exact')];
    return new Map(chart!.rows.map((row) => [row[name], row[exact]]));
  };
  for (const { id, name } of demoTrain('pan-rake').positions) {
    const { ratio } = solved.get(id)!;
    expect(exactIn('in/out').get(name)).toBe(ratio ? toFraction(ratio).replace('-', '−') : '');
  }
  expect(exactIn('out/in').get('1')).toBe('13/64');
  expect(exactIn('out/in').get('R')).toBe('−133/592');
});

test('a notebook derives each position three ways, with room for remarks; what is not ticked is not there', () => {
  const own = blocks('stirrer', 'working', { style: 'notebook' });
  const driving = [...modelOf(demoTrain('stirrer')).positions().values()].filter(
    ({ status }) => status === 'drive',
  ).length;
  expect(own.filter(({ kind }) => kind === 'lines')).toHaveLength(2 * driving);
  expect(own.filter(({ kind }) => kind === 'remarks')).toHaveLength(driving);
  expect(tables(own)).toHaveLength(driving);
  expect(sheetOf(demoTrain('stirrer'), asked({ sections: ['chart'] })).sections.map(({ key }) => key)).toEqual([
    'chart',
  ]);
});

test('end views are to a scale that fits the paper where modules are given, and say so where they are not', () => {
  const train = demoTrain('pan-rake');
  const sized = { ...train, gears: train.gears.map((gear) => ({ ...gear, module: 2 })) };
  const views = sheetOf(sized, asked()).sections.find(({ key }) => key === 'end-views')!.blocks;
  for (const view of views) {
    if (view.kind !== 'end-view') throw new Error(view.kind);
    const { left, right, top, bottom } = view.station.bounds;
    expect((right - left) * view.scale!.paperPerMm).toBeLessThanOrEqual(170);
    expect(Math.abs(bottom - top) * view.scale!.paperPerMm).toBeLessThanOrEqual(110);
    expect(view.scale!.text).toMatch(/^(\d+:1|1:\d+)$/);
  }
  const [bare] = sheetOf(
    { ...train, gears: train.gears.map((gear) => ({ ...gear, module: undefined })) } as typeof train,
    asked(),
  ).sections.find(({ key }) => key === 'end-views')!.blocks;
  expect(bare).toMatchObject({ kind: 'end-view', scale: null });
});

test('the log in a sentence, and what does not agree; without readings no section', () => {
  const reading = (id: string, passed: number) => ({
    id,
    kind: 'marks' as const,
    position: '1',
    member: 'out',
    marks: 24,
    passed,
    inputTurns: 6,
  });
  const log = {
    format: 'tin-wheel/log' as const,
    version: 1 as const,
    readings: [reading('a', 29.25), reading('b', 60)],
    corrections: [],
    runs: [],
  };
  const [said, odd] = blocks('pan-rake', 'log', { log });
  expect(said).toMatchObject({
    kind: 'text',
    text: expect.stringContaining('2 readings: 1 agree, 1 do not') as string,
  });
  expect(odd).toMatchObject({ kind: 'list' });
  expect(blocks('pan-rake', 'log', { log: { ...log, readings: [] } })).toEqual([]);
});

test('wheels that have sizes are compared, with what that is not; without sizes nothing is said', () => {
  const found = blocks('printed-hoist', 'forces');
  const [table] = tables(found);
  expect(table!.rows[0]!.slice(0, 1)).toEqual(['15 on layshaft']);
  expect(table!.rows).toHaveLength(4);
  expect(found.at(-1)).toMatchObject({ kind: 'text', text: expect.stringContaining('not a rating') as string });
  expect(blocks('harvester', 'forces')).toEqual([]);
});
