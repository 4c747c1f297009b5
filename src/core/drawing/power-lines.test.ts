import { demoTrain } from '@/testing/demo-train';
import { networkOf } from '../kinematics';
import { partPowers } from '../powerflow';
import { solvePositions } from '../solve';
import { drawSideView, powerLines, type PowerAt, type PowerLine } from '.';

function flowing(name: string, position: string): { powers: PowerAt[]; lines: PowerLine[] } {
  const train = demoTrain(name);
  const drawn = drawSideView(train, { width: 880, height: 400 });
  if (!drawn.ok) throw new Error(drawn.why);
  const powers = partPowers(solvePositions(networkOf(train)).get(position)!).map((own) => ({
    ...own,
    power: own.power ?? 0,
  }));
  return { powers, lines: powerLines(drawn.view, powers) };
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
      count(member, from.x, from.y, -share);
      count(member, to.x, to.y, share);
    }
    // Where the net is not nothing, a part gives or takes exactly that much.
    for (const [place, share] of net) {
      if (Math.abs(share) < 1e-6) continue;
      const member = place.slice(0, place.lastIndexOf(' '));
      const own = powers.filter((power) => power.member === member).map(({ power }) => power);
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
    expect(Math.max(...lines.map(({ share }) => share))).toBeCloseTo(1 + 425 / 736, 9);
  });
});
