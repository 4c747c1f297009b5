import { demoTrain } from '@/testing/demo-train';
import { partPowers } from '.';
import { modelOf } from '../model';

const powers = (name: string, position: string) => partPowers(modelOf(demoTrain(name)).positions().get(position)!);

test('every member receives as much as it gives', () => {
  for (const [name, position] of [
    ['pan-rake', 'R'],
    ['harvester', '5'],
    ['conveyor-shifter', 'fast'],
    ['draisine-hub', '4'],
  ] as const) {
    const net = new Map<string, number>();
    for (const { member, power } of powers(name, position)) net.set(member, (net.get(member) ?? 0) + power!);
    expect(net.size).toBeGreaterThan(2);
    for (const sum of net.values()) expect(Math.abs(sum)).toBeLessThan(1e-9);
  }
});

test('names the gear, pin, coupler or port at which it passes', () => {
  const parts = powers('brine-lift', 'pumping').map(
    ({ member, part, power }) => `${member} ${part.kind} ${part.id} ${power!.toFixed(3)}`,
  );
  expect(parts).toContain('sails port sails 1.000');
  expect(parts).toContain('pump gear s 1.000');
  expect(parts.filter((part) => part.startsWith('sails pin planet'))).toHaveLength(2);
});

test('what stands passes no power however hard it is held', () => {
  expect(
    powers('brine-lift', 'pumping')
      .filter(({ member }) => member === 'ring')
      .map(({ power }) => power),
  ).toEqual([0, 0]);
});

test('what is shared between parallel ways is not guessed', () => {
  expect(powers('wagon-axle', 'locked').some(({ power }) => power === null)).toBe(true);
});
