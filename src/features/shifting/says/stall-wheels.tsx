import { useMemo } from 'react';
import { CAUTIONS } from '@/core/cautions';
import { rankWheels } from '@/core/forces';
import { motorLine, torqueAt } from '@/core/shifting';
import { partsById } from '@/core/train';
import { figure } from '@/core/units';
import { gearName } from '@/core/words';
import { useTrain } from '@/features/train/use-train';
import type { Setup } from '../setup';
import { useNameOf } from '../use-shifting';

/** What the wheels bear while the motor stands and pulls its hardest: the worst that it can do to them. */
export function StallWheels({ setup }: { setup: Setup }) {
  const train = useTrain((state) => state.train);
  const nameOf = useNameOf();
  const { motor, order } = setup.scenario;
  const torqueNm = torqueAt(motorLine(motor), 0);
  const [first] = useMemo(
    () => rankWheels(train, { torqueNm, speedRpm: null }, { positions: order }),
    [train, torqueNm, order],
  );
  if (!first) return null;
  const wheel = partsById(train).gear(first.gear);
  return (
    <p className="mt-1.5 text-sm">
      At the stall, with {figure(torqueNm)} N·m put on the input in {nameOf(first.position)}, {gearName(train, wheel)}{' '}
      is bent most: {figure(first.rootStressMPa)} N/mm² in its root
      {first.contact === null ? '' : `, ${figure(first.contact.pressureMPa)} on its flanks`}. {CAUTIONS.comparison}
    </p>
  );
}
