import { toNumber } from '@/core/rational';
import type { MemberFigures } from '@/core/powerflow';
import type { Typed } from '@/features/train/input/typed-input';

type Put = Pick<Typed, 'value' | 'si'>;

/** A member's power in watts for what is put in; null where it is not known. */
export function memberPower({ power }: Pick<MemberFigures, 'power'>, torque: Put, speed: Put): number | null {
  if (power === null || torque.value === null || speed.value === null) return null;
  return toNumber(power) * torque.value * torque.si * speed.value * speed.si;
}
