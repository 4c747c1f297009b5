import { fraction, ONE } from '@/core/rational';
import { SPEED_UNITS, TORQUE_UNITS, type SpeedUnit, type TorqueUnit } from '@/core/units';
import { figureOrNothing } from '@/ui/text-field';
import { memberPower } from './powers';

const typed = (value: number | null, unit: TorqueUnit | SpeedUnit) => ({
  value,
  si: { ...TORQUE_UNITS, ...SPEED_UNITS }[unit],
});

test('power is speed times torque, in watts, whatever the units', () => {
  expect(memberPower({ power: ONE }, typed(10, 'N·m'), typed(30, 'rpm'))).toBeCloseTo(31.416, 3);
  expect(memberPower({ power: fraction(1, 2) }, typed(10, 'N·m'), typed(30, 'rpm'))).toBeCloseTo(15.708, 3);
  expect(memberPower({ power: ONE }, typed(2, 'N·m'), typed(3, 'rad/s'))).toBeCloseTo(6, 9);
});

test('power is unknown where the share or what is put in is unknown', () => {
  expect(memberPower({ power: null }, typed(10, 'N·m'), typed(30, 'rpm'))).toBeNull();
  expect(memberPower({ power: ONE }, typed(null, 'N·m'), typed(30, 'rpm'))).toBeNull();
  expect(memberPower({ power: ONE }, typed(10, 'N·m'), typed(null, 'rpm'))).toBeNull();
});

test('an empty field is nothing, a comma is a point, and odd text is left for the edit to refuse', () => {
  expect(figureOrNothing('  ')).toBeUndefined();
  expect(figureOrNothing(' 2,5 ')).toBe(2.5);
  expect(figureOrNothing('two')).toBeNaN();
});
