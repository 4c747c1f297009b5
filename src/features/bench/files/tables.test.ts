import Papa from 'papaparse';
import type { Train } from '@/core/train';
import { demoTrain } from '@/testing/demo-train';
import { csvText } from '@/ui/table-text';
import { figuresFile, figuresPage, workingFile, workingPage, type Written } from './tables';

const rake = demoTrain('pan-rake');

const written = (train: Train, names: readonly string[], more: Partial<Written> = {}): Written => ({
  train,
  positions: names.map((name) => train.positions.find((position) => position.name === name)!),
  flow: 'drive',
  losses: false,
  convention: 'in/out',
  typed: {
    speed: { value: 30, unit: 'rpm', si: Math.PI / 30, message: null },
    torque: { value: 10, unit: 'N·m', si: 1, message: null },
  },
  loads: null,
  ...more,
});

describe('figures in a file', () => {
  test('hold every member in every position, and what is put in comes out', () => {
    const { head, rows } = figuresFile(written(rake, ['1', '2', 'R']));
    expect(rows.length).toBe(3 * rake.members.length);
    const cell = (position: string, member: string, column: string) =>
      rows.find((row) => row[0] === position && row[head.indexOf('Member')] === member)![head.indexOf(column)]!;
    expect(cell('1', 'output shaft', 'Ratio, in/out')).toBe('64/13');
    expect([cell('R', 'output shaft', 'Ratio, in/out'), cell('R', 'output shaft', 'Status')]).toEqual([
      '592/133',
      'drive, reverse',
    ]);
    for (const position of ['1', '2', 'R']) {
      const out = ['Speed, rpm', 'Torque, N·m', 'Power, W'].map((column) =>
        Number(cell(position, 'output shaft', column)),
      );
      expect((out[0]! * out[1]! * 2 * Math.PI) / 60).toBeCloseTo(out[2]!, 4);
      expect(out[2]!).toBeCloseTo((10 * 30 * 2 * Math.PI) / 60, 4);
    }
  });

  test('follow the units, the convention and losses', () => {
    const typed: Written['typed'] = {
      speed: { value: 5, unit: 'rad/s', si: 1, message: null },
      torque: { value: 2, unit: 'N·m', si: 1, message: null },
    };
    const { head, rows } = figuresFile(
      written(demoTrain('stirrer'), ['slow'], { typed, convention: 'out/in', losses: true }),
    );
    expect(head).toContain('Speed, rad/s');
    const carrier = rows.find((row) => row.includes('carrier'))!;
    expect(carrier[1]).toBe('1/4');
    // Of 3 torques that the ring's reaction adds, the two meshes leave 0.96² each way.
    const torque = Number(carrier[head.indexOf('Torque, N·m')]);
    expect(torque).toBeCloseTo(2 * (1 + 3 * 0.96 ** 2), 6);
  });

  test('say what is not known instead of a number', () => {
    const typed: Written['typed'] = {
      speed: { value: null, unit: 'rpm', si: Math.PI / 30, message: 'not a number' },
      torque: { value: 10, unit: 'N·m', si: 1, message: null },
    };
    const { head, rows } = figuresFile(written(rake, ['N'], { typed }));
    const out = rows.find((row) => row.includes('output shaft'))!;
    expect(out.slice(0, 3)).toEqual(['N', '', 'neutral']);
    expect(out[head.indexOf('Turns per turn put in')]).toBe('left open');
    expect(out[head.indexOf('Speed, rpm')]).toBe('');
  });

  test('read back from CSV cell for cell, however a member is called', () => {
    const named: Train = {
      ...rake,
      members: rake.members.map((member) => (member.id === 'lay' ? { ...member, name: 'a "b", <i>c</i>' } : member)),
    };
    const table = figuresFile(written(named, ['1', '4']));
    const back = Papa.parse<string[]>(csvText(table), { skipEmptyLines: true }).data;
    expect(back).toEqual([table.head, ...table.rows]);
  });
});

describe('working in a file', () => {
  test('ends each position in its ratio', () => {
    const { rows } = workingFile(written(rake, ['1', '3']));
    expect(new Set(rows.map(([position]) => position))).toEqual(new Set(['1', '3']));
    expect(rows.filter(([position]) => position === '1').at(-1)![2]).toContain('64/13');
    expect(rows.filter(([position]) => position === '1').map(([, line]) => line)).toEqual(
      rows.filter(([position]) => position === '1').map((_, i) => String(i + 1)),
    );
  });

  test('as a page has a heading and a fenced text for each position', () => {
    const page = workingPage(written(rake, ['1', 'R']));
    expect(page).toContain('# Pan rake gearbox: working');
    expect(page.match(/^## Position /gm)).toHaveLength(2);
    expect(page).toMatch(/Ratio 64\/13 in\/out\. Engaged: First\./);
    expect(page).toMatch(/reverse/);
  });

  test('a name cannot leave its fence, its cell or its heading', () => {
    const named: Train = {
      ...rake,
      name: '# <script>alert(1)</script>',
      members: rake.members.map((member) => (member.id === 'lay' ? { ...member, name: '```\n| x' } : member)),
    };
    const working = workingPage(written(named, ['1']));
    expect(working.split('\n')[0]).toBe('# \\# \\<script\\>alert(1)\\</script\\>: working');
    expect(working).toMatch(/^````text$/m);
    const figures = figuresPage(written(named, ['1']));
    const widths = figures
      .split('\n')
      .filter((line) => line.startsWith('|'))
      .map((line) => line.split(/(?<!\\)\|/).length);
    expect(new Set(widths).size).toBe(1);
    expect(figures).not.toMatch(/<script>/);
  });
});
