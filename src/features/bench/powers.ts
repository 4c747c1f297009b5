import { toNumber } from '@/core/rational';
import type { MemberFigures } from '@/core/powerflow';
import { powerInWatts } from '@/core/units';
import type { useTyped } from './typed-input';

type Typed = ReturnType<typeof useTyped>;

/** A member's power in watts for what is put in; null where it is not known. */
export function memberPower({ power }: Pick<MemberFigures, 'power'>, torque: Typed['torque'], speed: Typed['speed']): number | null {
  if (power === null || torque.value === null || speed.value === null) return null;
  return toNumber(power) * powerInWatts(torque.value, torque.unit, speed.value, speed.unit);
}
