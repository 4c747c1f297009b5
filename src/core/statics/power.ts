import { isZero, mul, ZERO, type Rational } from '../rational';

/** Torque times speed. Nothing turns with no torque, and what stands passes no power, whatever the other factor is. */
export function powerOf(torque: Rational | null, speed: Rational | null): Rational | null {
  if ((torque && isZero(torque)) || (speed && isZero(speed))) return ZERO;
  return torque && speed && mul(torque, speed);
}
