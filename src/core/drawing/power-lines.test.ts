import { demoTrain } from '@/testing/demo-train';
import { partPowers } from '../powerflow';
import type { Train } from '../train';
import { drawSideView, powerLines, type PowerAt, type PowerLine, type SideView } from '.';
import { modelOf } from '../model';

function flowing(name: string, position: string) {
  return flowIn(demoTrain(name), position);
}

function flowIn(train: Train, position: string): { powers: readonly PowerAt[]; lines: PowerLine[]; view: SideView } {
  const drawn = drawSideView(train, { width: 880, height: 400 });
  if (!drawn.ok) throw new Error(drawn.why);
  const powers = partPowers(modelOf(train).positions().get(position)!);
  return { powers, lines: powerLines(drawn.view, powers), view: drawn.view };
}

const every = [
  'sluice-winch wind',
  'brine-lift pumping',
  'pan-rake 1',
  'pan-rake 4',
  'pan-rake R',
  'draisine-hub 5',
  'crawler R',
  'harvester 2',
  'harvester R',
  'conveyor-shifter fast',
];

describe('power in the lines', () => {
  test.each(every)('%s: the flow into every point of a member is the flow out of it', (which) => {
    const [name, position] = which.split(' ') as [string, string];
    const { powers, lines } = flowing(name, position);
    expect(lines.length).toBeGreaterThan(0);
    const net = new Map<string, number>();
    const count = (member: string, x: number, y: number, share: number) =>
      net.set(`${member} ${x},${y}`, (net.get(`${member} ${x},${y}`) ?? 0) + share);
    for (const { member, from, to, share } of lines) {
      if (share === null) throw new Error(`${member} is open.`);
      count(member, from.x, from.y, -share);
      count(member, to.x, to.y, share);
    }
    // Where the net is not nothing, a part gives or takes exactly that much.
    for (const [place, share] of net) {
      if (Math.abs(share) < 1e-6) continue;
      const member = place.slice(0, place.lastIndexOf(' '));
      const own = powers.filter((power) => power.member === member).map(({ power }) => power ?? NaN);
      const sums = own.reduce<number[]>((found, power) => [...found, ...found.map((sum) => sum + power)], [0]);
      expect(sums.some((sum) => Math.abs(sum + share) < 1e-6)).toBe(true);
    }
  });

  test('all of it enters at the input and leaves at the output', () => {
    const { lines } = flowing('pan-rake', '4');
    expect(lines.map(({ member, share }) => [member, share])).toEqual(
      expect.arrayContaining([
        ['in', 1],
        ['out', 1],
      ]),
    );
    for (const { from, to } of lines) expect(to.x).toBeGreaterThanOrEqual(from.x);
  });

  test('a member that idles carries none, two paths carry their shares', () => {
    const { lines } = flowing('pan-rake', '4');
    expect(new Set(lines.map(({ member }) => member))).toEqual(new Set(['in', 'out']));
    const shares = flowing('conveyor-shifter', 'fast')
      .lines.filter(({ member }) => member === 'top')
      .map(({ share }) => share);
    expect(shares.length).toBeGreaterThan(0);
    for (const share of shares) expect(share).toBeCloseTo(25 / 73, 9);
  });

  test('power that goes round is more than what is put in', () => {
    const { lines } = flowing('harvester', 'R');
    expect(Math.max(...lines.map(({ share }) => share ?? NaN))).toBeCloseTo(1 + 425 / 736, 9);
  });

  test('what is open is open in the lines, and what is known stays known', () => {
    // The locked differential shares out between its outputs; all of it still comes in over the input and its gear.
    const { lines } = flowing('wagon-axle', 'locked');
    const shares = (member: string) => lines.filter((line) => line.member === member).map(({ share }) => share);
    expect(shares('prop')).not.toContain(null);
    for (const output of demoTrain('wagon-axle').outputs) expect(shares(output)).toContain(null);
  });

  test('every output has an end of its own that its line reaches', () => {
    const stirrer = demoTrain('stirrer');
    const train = {
      ...stirrer,
      outputs: ['arm', 'ring'],
      couplers: [],
      positions: [{ id: 'p', name: 'p', engaged: [] }],
    };
    const { view } = flowIn(train, 'p');
    const places = view.ports.map(({ x, y }) => `${x},${y}`);
    expect(new Set(places).size).toBe(3);
    for (const { member, x, y } of view.ports) {
      const ends = view.lines
        .filter((line) => line.member === member)
        .flatMap(({ links }) => links.flatMap(({ x1, y1, x2, y2 }) => [`${x1},${y1}`, `${x2},${y2}`]));
      expect(ends).toContain(`${x},${y}`);
    }
  });
});
