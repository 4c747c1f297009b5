'use client';

import { RefreshCw } from 'lucide-react';
import { toFraction, toNumber } from '@/core/rational';
import { figure } from '@/core/units';
import { couplerName, listed, memberName } from '@/core/words';
import { useExplained } from '@/features/train/use-explained';
import { useTrain, useLight } from '@/features/train/use-train';

/** Power that goes round in a loop, besides what goes through: how much, and through what. */
export function Recirculation() {
  const train = useTrain((state) => state.train);
  const light = useLight();
  const { paths } = useExplained();
  if (!paths || paths.recirculating.length === 0) return null;
  return (
    <ul className="flex flex-col gap-1 px-3 pt-1 text-sm">
      {paths.recirculating.map(({ share, stops }, i) => {
        const members = [...new Set(stops.filter(({ kind }) => kind === 'member').map(({ id }) => id))];
        const joints = [...new Set(stops.filter(({ kind }) => kind === 'joint').map(({ id }) => id))];
        return (
          <li
            key={i}
            tabIndex={0}
            className="flex items-center gap-1.5 px-1 text-primary"
            title={`exactly ${toFraction(share)} of the input power`}
            onPointerEnter={() => light({ members, couplers: joints })}
            onPointerLeave={() => light(null)}
            onFocus={() => light({ members, couplers: joints })}
            onBlur={() => light(null)}
          >
            <RefreshCw className="size-4" aria-hidden />
            {figure(100 * toNumber(share))} % of the input power goes round through{' '}
            {listed([...members.map((id) => memberName(train, id)), ...joints.map((id) => couplerName(train, id))])}
          </li>
        );
      })}
    </ul>
  );
}
