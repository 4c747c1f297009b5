'use client';

import { useMemo } from 'react';
import { relativeSpeeds, type Chart } from '@/core/gear-chart';
import { toNumber } from '@/core/rational';
import type { Train } from '@/core/train';
import { figure, tickText } from '@/core/units';
import { couplerName, memberName } from '@/core/words';
import { useTyped } from '@/features/train/input/typed-input';
import { useTrain } from '@/features/train/use-train';
import { Diagram, inkFor } from '@/ui/diagram';
import { memberColor } from '@/figures/member-colors';
import { useSettled } from '@/ui/settled';
import { useTheme } from '@/ui/theme';
import { useRows } from '../../use-chart';
import { itemAt, lookUp, required } from '@/core/required';

interface Spins {
  readonly member: string;
  readonly name: string;
  /** By position, in the chart's order; null where it floats. */
  readonly speeds: readonly (number | null)[];
}

/** The train with the positions in which its input can turn: where it cannot, nothing has a speed. */
function useTurning(): { readonly train: Train; readonly chart: Chart } {
  const chart = useRows();
  const train = useTrain((state) => state.train);
  return useMemo(
    () => ({ train, chart: { ...chart, rows: chart.rows.filter(({ solved }) => solved.status !== 'locked') } }),
    [train, chart],
  );
}

/** Every member's speed in every position: who spins wildly where. */
export function Members() {
  const { train, chart } = useSettled(useTurning());
  const { speed } = useTyped();
  const theme = useTheme();
  const input = speed.value ?? 0;
  const spins = useMemo(() => spinsOf(train, chart, input), [train, chart, input]);
  const drawn = useMemo(
    () => ({ ...draw(train, chart, spins, speed.unit), theme }),
    [train, chart, spins, speed.unit, theme],
  );
  return (
    <>
      <Diagram
        title="Speeds of the members"
        kind="line"
        height={270}
        series={drawn.series}
        options={drawn.options}
        tip={drawn.tip}
        rows={spins}
        keyOf={({ member }) => member}
        columns={[
          { head: 'Member', value: ({ name }: Spins) => name },
          ...chart.rows.map(({ name }, i) => ({
            head: `${name}, ${speed.unit}`,
            numeric: true,
            value: ({ speeds }: Spins) => itemAt(speeds, i),
            cell: ({ speeds }: Spins) => {
              const speed = itemAt(speeds, i);
              return speed === null ? 'open' : figure(speed);
            },
          })),
        ]}
      />
      <Fastest />
    </>
  );
}

/** Where planets spin fastest in their bearings, and the halves of what is open against each other. */
function Fastest() {
  const chart = useRows();
  const train = useTrain((state) => state.train);
  const { speed } = useTyped();
  const found = useMemo(() => fastest(chart), [chart]);
  if (speed.value === null) return null;
  const told = (times: number) => `${figure(Math.abs(times) * required(speed.value))} ${speed.unit}`;
  return (
    <ul className="mt-1 flex flex-wrap gap-x-6 text-sm" aria-label="Fastest in their bearings">
      {found.planet && (
        <li>
          Fastest planet bearing: <strong>{memberName(train, found.planet.id)}</strong> on its carrier in{' '}
          {found.planet.position}, <span className="figure">{told(found.planet.times)}</span>
        </li>
      )}
      {found.coupler && (
        <li>
          Fastest open coupler: <strong>{couplerName(train, found.coupler.id)}</strong> in {found.coupler.position},{' '}
          <span className="figure">{told(found.coupler.times)}</span>
        </li>
      )}
    </ul>
  );
}

function fastest({ rows }: Chart) {
  const all = rows
    .filter(({ solved: { status } }) => status !== 'locked')
    .flatMap(({ name, solved }) =>
      relativeSpeeds(solved).flatMap(({ kind, id, speed }) =>
        speed ? [{ kind, id, position: name, times: toNumber(speed) }] : [],
      ),
    )
    .sort((a, b) => Math.abs(b.times) - Math.abs(a.times));
  const of = (kind: 'planet' | 'coupler') => all.find((one) => one.kind === kind && one.times !== 0);
  return { planet: of('planet'), coupler: of('coupler') };
}

function spinsOf(train: Train, { rows }: Chart, input: number): readonly Spins[] {
  return train.members.map(({ id }) => ({
    member: id,
    name: memberName(train, id),
    speeds: rows.map(({ solved: { network, state } }) => {
      const speed = state.speeds.of(lookUp(network.memberIndex, id));
      return speed && toNumber(speed) * input;
    }),
  }));
}

function draw(train: Train, { rows }: Chart, spins: readonly Spins[], unit: string) {
  return {
    series: spins.map(({ name, speeds }) => ({
      name,
      data: speeds.map((speed, i) => ({ x: itemAt(rows, i).name, y: speed })),
    })),
    tip: (line: number, at: number) => {
      const { name, speeds } = itemAt(spins, line);
      const speed = speeds[at] ?? null;
      return `${name} in ${itemAt(rows, at).name}: ${speed === null ? 'open' : `${figure(speed)} ${unit}`}`;
    },
    options: {
      colors: spins.map(({ member }) => inkFor(memberColor(train, member))),
      stroke: { width: 2, curve: 'straight' as const },
      markers: { size: 3, strokeWidth: 0 },
      legend: { position: 'right' as const, width: 200, itemMargin: { vertical: 1 }, fontSize: '11px' },
      xaxis: { type: 'category' as const, title: { text: 'Position' } },
      yaxis: {
        forceNiceScale: true,
        title: { text: `Speed, ${unit}; below 0 against the input` },
        labels: {
          formatter: (value: number | null) => (value === null ? 'open' : tickText(value)),
        },
      },
    },
  };
}
