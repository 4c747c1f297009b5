'use client';

import { toNumber } from '@/core/rational';
import type { MemberFigures, MemberRole } from '@/core/powerflow';
import { figure, powerInWatts, wayText } from '@/core/units';
import { Exact } from '@/ui/exact';
import { memberColor } from '@/ui/member-colors';
import { usePosition } from '../analysis';
import { useBench } from '../store';
import { useTyped } from '../typed-input';

const ROLE_TEXT: Record<MemberRole, string> = {
  drives: 'takes power in',
  'gives out': 'gives power out',
  carries: 'carries power',
  holds: 'held',
  still: 'stands',
  idle: 'turns idle',
  shared: 'torque shared',
  floats: 'floats',
};

/** Every member's speed, direction, torque and power for what is put in. */
export function FiguresTable() {
  const train = useBench((state) => state.train);
  const { figures } = usePosition();
  const { speed, torque } = useTyped();
  const set = useBench((state) => state.set);
  return (
    <section aria-label="Figures" className="max-h-64 overflow-auto border-t border-base-300 px-4 py-1">
      <table className="w-full text-sm [&_td]:py-1 [&_td:not(:first-child)]:pl-3 [&_th]:py-1 [&_th]:font-normal [&_th:not(:first-child)]:pl-3">
        <thead className="muted text-left">
          <tr className="[&>th]:border-b [&>th]:border-base-300">
            <th scope="col">Member</th>
            <th scope="col" className="text-right">
              per input turn
            </th>
            <th scope="col" className="text-right">
              Speed, {speed.unit}
            </th>
            <th scope="col">Way</th>
            <th scope="col" className="text-right">
              Torque, {torque.unit}
            </th>
            <th scope="col" className="text-right">
              Power, W
            </th>
            <th scope="col">State</th>
          </tr>
        </thead>
        <tbody>
          {figures.map((row) => (
            <tr
              key={row.id}
              className="border-b border-base-300/60 last:border-0 hover:bg-base-200"
              onPointerEnter={() => set({ highlight: { members: [row.id], gears: [] } })}
              onPointerLeave={() => set({ highlight: null })}
            >
              <th scope="row" className="text-left !font-semibold">
                <span className="mr-2 inline-block size-2.5 rounded-full align-baseline" style={{ background: memberColor(train, row.id) }} aria-hidden />
                {train.members.find((member) => member.id === row.id)?.name}
              </th>
              <td className="figure text-right">
                <Exact value={row.speed} />
              </td>
              <td className="figure text-right">{scaled(row.speed && toNumber(row.speed), speed.value)}</td>
              <td>{row.speed ? wayText(row.speed) : 'open'}</td>
              <td className="figure text-right">{scaled(row.torque && Math.abs(toNumber(row.torque)), torque.value)}</td>
              <td className="figure text-right">{watts(row, torque, speed)}</td>
              <td className={row.role === 'carries' || row.role === 'drives' || row.role === 'gives out' ? 'text-primary' : 'muted'}>
                {ROLE_TEXT[row.role]}
                {row.block && row.role !== 'still' ? ', as one block' : ''}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

const scaled = (perUnit: number | null, value: number | null): string => (perUnit === null || value === null ? '—' : figure(Math.abs(perUnit) * value));

function watts({ power }: MemberFigures, torque: ReturnType<typeof useTyped>['torque'], speed: ReturnType<typeof useTyped>['speed']): string {
  if (power === null || torque.value === null || speed.value === null) return '—';
  return figure(toNumber(power) * powerInWatts(torque.value, torque.unit, speed.value, speed.unit));
}
