import type { Train } from '../../train';
import { Effort } from '../effort';
import type { GearBody, HalfPlane, Terminal } from '../half-plane';
import { RoutingGrid } from './grid';
import { pieceOf } from './piece';
import { routeHalfPlane } from './negotiation';
import { reaches } from './routed';
import { spread, type Prices } from './search';

const CHEAP: Prices = { crossing: 14, share: 60, centre: 0 };
const route = (half: HalfPlane, of: Train, rounds: number) =>
  routeHalfPlane(half, of, rounds, new Effort(Infinity)).work;
const across = (grid: RoutingGrid) => ({ from: 0, to: grid.columns - 1 });

/** A straight piece of line between two cells of one row or column. */
function line(grid: RoutingGrid, from: [number, number], to: [number, number]) {
  const cells: number[] = [];
  const [dx, dy] = [Math.sign(to[0] - from[0]), Math.sign(to[1] - from[1])];
  for (let [x, row] = from; ; x += dx, row += dy) {
    cells.push(grid.at({ x, row }));
    if (x === to[0] && row === to[1]) break;
  }
  return pieceOf(
    cells,
    cells.slice(1).map((cell, i) => [cells[i]!, cell] as const),
    0,
  );
}

describe('the grid', () => {
  test('knows its neighbours and its edges', () => {
    const grid = new RoutingGrid(4, 3);
    const corner = grid.at({ x: 0, row: 0 });
    expect([0, 1, 2, 3].map((direction) => grid.step(corner, direction))).toEqual([1, -1, -1, 4]);
    const far = grid.at({ x: 3, row: 2 });
    expect([0, 1, 2, 3].map((direction) => grid.step(far, direction))).toEqual([-1, 7, 10, -1]);
    expect(grid.cell(far)).toEqual({ x: 3, row: 2 });
    expect(grid.has({ x: 4, row: 0 })).toBe(false);
  });

  test('two straight lines cross, lines that bend into each other clash', () => {
    const grid = new RoutingGrid(7, 7);
    grid.paint(0, line(grid, [0, 3], [6, 3]));
    grid.paint(1, line(grid, [3, 0], [3, 6]));
    expect(grid.conflicts()).toEqual({ crossings: [grid.at({ x: 3, row: 3 })], clashes: 0 });
    grid.clear();
    grid.paint(0, line(grid, [0, 3], [6, 3]));
    grid.paint(1, line(grid, [3, 3], [3, 6]));
    expect(grid.conflicts()).toEqual({ crossings: [], clashes: 1 });
  });

  test('only a line that runs straight across can be crossed', () => {
    const grid = new RoutingGrid(7, 7);
    grid.paint(0, line(grid, [0, 3], [6, 3]));
    expect(grid.crossable(grid.at({ x: 3, row: 3 }), 3)).toBe(true);
    expect(grid.crossable(grid.at({ x: 3, row: 3 }), 0)).toBe(false);
    expect(grid.crossable(grid.at({ x: 6, row: 3 }), 3)).toBe(false);
  });

  test('what was fought over stays dearer', () => {
    const grid = new RoutingGrid(7, 7);
    grid.paint(0, line(grid, [0, 3], [6, 3]));
    grid.paint(1, line(grid, [3, 0], [3, 6]));
    grid.remember();
    grid.clear();
    expect(grid.history[grid.at({ x: 3, row: 3 })]).toBeGreaterThan(0);
    expect(grid.history[grid.at({ x: 2, row: 3 })]).toBe(0);
  });
});

describe('the search', () => {
  const reach = (grid: RoutingGrid, from: [number, number], to: [number, number], net = 0, window = across(grid)) => {
    const goal = grid.at({ x: to[0], row: to[1] });
    const field = spread(
      grid,
      [grid.at({ x: from[0], row: from[1] })],
      net,
      CHEAP,
      window,
      new Effort(Infinity),
      (at) => at === goal,
    );
    return field.reached < 0 ? null : Math.floor(field.cost[field.reached]!);
  };

  test('goes straight where it can, and pays for a bend', () => {
    expect(reach(new RoutingGrid(10, 5), [0, 0], [6, 0])).toBe(12);
    expect(reach(new RoutingGrid(10, 5), [0, 0], [3, 3])).toBe(12 + 3);
  });

  test('goes round what is closed, and round another member’s cell', () => {
    const grid = new RoutingGrid(9, 4);
    for (let row = 0; row < 3; row++) grid.blocked[grid.at({ x: 4, row })] = 1;
    expect(reach(grid, [0, 0], [8, 0])).toBeGreaterThan(16);
    grid.reserved[grid.at({ x: 4, row: 3 })] = 7;
    expect(reach(grid, [0, 0], [8, 0])).toBeNull();
    expect(reach(grid, [0, 0], [8, 0], 7)).not.toBeNull();
  });

  test('crosses a line only when going round is dearer', () => {
    const wall = new RoutingGrid(9, 12);
    wall.paint(5, line(wall, [4, 0], [4, 11]));
    expect(reach(wall, [0, 5], [8, 5])).toBe(16 + CHEAP.crossing);
    const short = new RoutingGrid(9, 12);
    short.paint(5, line(short, [4, 0], [4, 1]));
    expect(reach(short, [0, 0], [8, 0])).toBeLessThan(16 + CHEAP.crossing + 4);
  });

  test('stays within its window', () => {
    const grid = new RoutingGrid(20, 6);
    for (let row = 0; row < 6; row++) grid.blocked[grid.at({ x: 3, row })] = row === 5 ? 0 : 1;
    expect(reach(grid, [0, 0], [6, 0], 0, { from: 0, to: 6 })).not.toBeNull();
    expect(reach(grid, [0, 0], [6, 0], 0, { from: 0, to: 5 })).toBeNull();
  });
});

describe('routing a half plane', () => {
  const train = (couplers: Train['couplers'] = []): Train => ({
    format: 'tin-wheel/train',
    version: 1,
    name: 't',
    members: [],
    gears: [],
    meshes: [],
    couplers,
    positions: [],
    input: 'a',
    outputs: ['b'],
  });
  const plane = (terminals: Terminal[], bodies: GearBody[] = [], central: string[] = []): HalfPlane => ({
    axis: 0,
    columns: 24,
    rows: 12,
    bodies,
    closed: [],
    terminals,
    pins: [],
    planetary: true,
    central: new Set(central),
  });
  const at = (member: string, ...cells: [number, number][]): Terminal[] =>
    cells.map(([x, row]) => ({ member, cells: [{ x, row }] }));

  test('joins every terminal of a member, and lets members that need not cross pass each other', () => {
    const routed = route(
      plane([...at('a', [2, 2], [12, 2]), ...at('b', [4, 6], [18, 6]), ...at('c', [6, 0], [20, 0])]),
      train(),
      10,
    );
    expect(routed.faults).toBe(0);
    expect(routed.crossings).toEqual([]);
    for (const [member, x, row] of [
      ['a', 12, 2],
      ['b', 18, 6],
      ['c', 20, 0],
    ] as const)
      expect(reaches(routed, member, { x, row })).toBe(true);
  });

  test('nests one member under another instead of crossing it', () => {
    // Straight lines would cross: one goes over the other's end.
    const routed = route(plane([...at('a', [2, 3], [14, 3]), ...at('b', [8, 1], [8, 6])]), train(), 14);
    expect(routed.crossings).toEqual([]);
    expect(routed.faults).toBe(0);
  });

  test('a crossing that cannot be helped is reported where it is', () => {
    const walls: GearBody[] = [];
    const gear = { id: 'g', member: 'x', teeth: 10, type: 'external' as const };
    for (const x of [7, 9])
      walls.push(
        { gear, shape: 'planet', x, end: x, from: 0, to: 4, at: 2 },
        { gear, shape: 'planet', x, end: x, from: 6, to: 11, at: 8 },
      );
    const routed = route(plane([...at('a', [2, 5], [20, 5]), ...at('b', [8, 0], [8, 11])], walls), train(), 14);
    expect(routed.crossings).toEqual([{ x: 8, row: 5 }]);
  });

  test('a clutch stands on a straight stretch between its members, a brake faces the outside', () => {
    const couplers: Train['couplers'] = [
      { id: 'K', name: 'K', type: 'clutch', joins: ['a', 'b'] },
      { id: 'B', name: 'B', type: 'brake', joins: ['b', 'frame'] },
    ];
    const routed = route(plane([...at('a', [3, 3], [5, 3]), ...at('b', [14, 3], [16, 3])]), train(couplers), 10);
    expect(routed.faults).toBe(0);
    const clutch = routed.symbols.find(({ coupler }) => coupler === 'K')!;
    expect(
      reaches(routed, 'a', { x: clutch.at.x - 1, row: clutch.at.row }) ||
        reaches(routed, 'a', { x: clutch.at.x, row: clutch.at.row - 1 }),
    ).toBe(true);
    const brake = routed.symbols.find(({ coupler }) => coupler === 'B')!;
    expect(brake.direction).toBe(3);
    expect(brake.at.row).toBeGreaterThan(3);
  });

  test('a member without gears is a chain of symbols between its neighbours', () => {
    const couplers: Train['couplers'] = [
      { id: 'K', name: 'K', type: 'clutch', joins: ['a', 'link'] },
      { id: 'F', name: 'F', type: 'one-way', joins: ['link', 'b'] },
    ];
    const routed = route(plane([...at('a', [3, 3]), ...at('b', [20, 3])]), train(couplers), 10);
    expect(routed.symbols.map(({ coupler }) => coupler).sort()).toEqual(['F', 'K']);
    expect(routed.faults).toBe(0);
    expect(routed.links.get('link')).toBeDefined();
  });
});
