import { fraction } from '../rational';
import {
  figure,
  isForce,
  powerInWatts,
  ratioText,
  readQuantity,
  SPEED_UNITS,
  TORQUE_UNITS,
  torqueTable,
  wayText,
  tickText,
  inOtherUnit,
  readFigure,
} from '.';

const torque = (text: string) =>
  readQuantity(text, Object.keys(TORQUE_UNITS) as (keyof typeof TORQUE_UNITS)[], 'N·m', 'the input torque');
const speed = (text: string) =>
  readQuantity(text, Object.keys(SPEED_UNITS) as (keyof typeof SPEED_UNITS)[], null, 'the speed');

describe('figures', () => {
  test.each([
    [3.4, '3.400'],
    [12, '12.00'],
    [-0.08333333, '−0.08333'],
    [1800, '1\u202f800'],
    [2571.43, '2\u202f571'],
    [1234567.8, '1\u202f234\u202f568'],
    [0, '0'],
    [0.00001234, '1.234\u2009e−5'],
    [999.96, '1\u202f000'],
    [Infinity, '—'],
  ])('%p is shown as %p', (value, shown) => expect(figure(value)).toBe(shown));

  test('a ratio always says which way round it is', () => {
    expect(ratioText(fraction(-12), 'in/out')).toBe('12.00 : 1 in/out');
    expect(ratioText(fraction(-12), 'out/in')).toBe('0.08333 : 1 out/in');
  });

  test('signs are words', () =>
    expect([fraction(-1, 12), fraction(3), fraction(0)].map(wayText)).toEqual(['reverse', 'same way', 'stands']));
});

describe('units', () => {
  test('a turn a minute is sixty an hour, and 1440 a day', () => {
    expect(SPEED_UNITS.rpm / SPEED_UNITS['turns/h']).toBeCloseTo(60, 9);
    expect(SPEED_UNITS.rpm / SPEED_UNITS['turns/day']).toBeCloseTo(1440, 9);
    expect(SPEED_UNITS['turns/s'] / SPEED_UNITS.rpm).toBeCloseTo(60, 9);
    expect(speed('2 turns/day')).toEqual({ ok: true, value: { value: 2, unit: 'turns/day' } });
  });

  test('a force on an arm is a torque: force times length', () => {
    const table = torqueTable(0.25);
    expect(table.N).toBeCloseTo(0.25, 12);
    expect(table.kgf).toBeCloseTo(2.4516625, 9);
    expect(table.lbf * 12).toBeCloseTo(4.4482216152605 * 12 * 0.25, 9);
    expect(table['N·m']).toBe(1);
    expect(['N', 'lbf', 'lbf·ft'].map((unit) => isForce(unit as keyof typeof table))).toEqual([true, true, false]);
  });
});

describe('quantities', () => {
  test.each([
    ['3.5Nm', 3.5, 'N·m'],
    ['3.5 N·m', 3.5, 'N·m'],
    ['12 lbf·in', 12, 'lbf·in'],
    ['2,5', 2.5, 'N·m'],
    ['80 kgf.cm', 80, 'kgf·cm'],
  ])('reads torque %p', (text, value, unit) => expect(torque(text)).toEqual({ ok: true, value: { value, unit } }));
  test('a speed without its unit asks for one where there is no default', () =>
    expect(speed('1200')).toMatchObject({
      ok: false,
      problems: [{ message: 'Give the speed in rpm, rad/s, turns/s, turns/h, turns/day.' }],
    }));
  test.each([
    ['0', 'above 0'],
    ['-2', 'above 0'],
    ['fast', 'as a number'],
    ['', 'as a number'],
    ['3 parsecs', 'Give the input torque in'],
    ['1e12', 'at most'],
  ])('refuses %p', (text, part) => {
    const read = torque(text);
    expect(!read.ok && read.problems[0].message).toContain(part);
  });
  test('power is torque times speed in SI units', () => {
    expect(powerInWatts(10, 'N·m', 30, 'rpm')).toBeCloseTo(31.4159, 4);
    expect(powerInWatts(1, 'lbf·ft', 1, 'rad/s')).toBeCloseTo(1.3558, 4);
  });
});

test('ticks are written with no more digits than they need, small ones too', () => {
  expect([30, 0.5, 1.025, 12000, -150, 0.0008, 0, 2e-7, 12000.5].map(tickText)).toEqual([
    '30',
    '0.5',
    '1.025',
    '12\u202f000',
    '−150',
    '0.0008',
    '0',
    '2\u2009e−7',
    '12\u202f000',
  ]);
});

test('a figure in another unit is the same quantity, and comes back as it was typed', () => {
  expect(inOtherUnit('30', SPEED_UNITS.rpm, SPEED_UNITS['turns/s'])).toBe('0.5');
  for (const text of ['30', '1200', '0.7', '2 1/2', '1/3'])
    for (const unit of Object.keys(SPEED_UNITS) as (keyof typeof SPEED_UNITS)[]) {
      const there = inOtherUnit(text, SPEED_UNITS.rpm, SPEED_UNITS[unit]);
      expect(readFigure(inOtherUnit(there, SPEED_UNITS[unit], SPEED_UNITS.rpm))).toBeCloseTo(readFigure(text), 7);
    }
  for (const text of ['30 rad/s', 'fast', '']) expect(inOtherUnit(text, SPEED_UNITS.rpm, 1)).toBe(text);
});
