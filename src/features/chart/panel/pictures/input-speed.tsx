'use client';

import { useMemo } from 'react';
import { rungOf, type Chart } from '@/core/gear-chart';
import { toNumber } from '@/core/rational';
import { figure, readFigure, tickText } from '@/core/units';
import { useTyped } from '@/features/train/input/typed-input';
import { Diagram, inkFor } from '@/ui/diagram';
import { useSettled } from '@/ui/settled';
import { useTheme } from '@/ui/theme';
import { percent } from '../../table/row-figures';
import { useChart, useRows } from '../../use-chart';
import { roundAxis } from './axes';
import { itemAt } from '@/core/required';

/** A position between the output speeds at which it is shifted into and out of. */
interface Stretch {
  readonly position: string;
  readonly fromOutput: number;
  readonly toOutput: number;
  /** Input speed just after the shift into it. */
  readonly fromInput: number;
  /** And just before the shift out of it. */
  readonly toInput: number;
  /** By how much the input speed fell, in per cent; null for the first. */
  readonly drop: number | null;
}

/** The input speed over the output speed where every shift is made at one input speed: how far it drops at each. */
export function InputSpeed() {
  const chart = useSettled(useRows());
  const { speed } = useTyped();
  const theme = useTheme();
  const typed = useChart((state) => state.shiftSpeedText);
  const set = useChart((state) => state.set);
  const value = readFigure(typed, speed.unit);
  const bad = typed.trim() !== '' && !(value > 0 && value <= 1e9);
  const shiftAt = typed.trim() !== '' && !bad ? value : speed.value;
  const stretches = useMemo(() => (shiftAt === null ? [] : stretchesOf(chart, shiftAt)), [chart, shiftAt]);
  const drawn = useMemo(
    () => (stretches.length > 0 ? { ...draw(stretches, speed.unit), theme } : null),
    [stretches, speed.unit, theme],
  );
  const field = (
    <label className="flex items-center gap-1.5 text-sm">
      <span className="muted whitespace-nowrap">Shift at</span>
      <input
        className="input input-xs figure w-20 aria-invalid:border-error"
        aria-label="Input speed at the shifts"
        aria-invalid={bad}
        title={bad ? 'Type a speed above 0.' : 'Left empty: the input speed above'}
        inputMode="decimal"
        placeholder={speed.value === null ? '' : String(speed.value)}
        value={typed}
        onChange={(event) => set({ shiftSpeedText: event.target.value })}
      />
      <span className="muted">{speed.unit}</span>
    </label>
  );
  if (!drawn) return <p className="muted text-sm">No position drives forward.</p>;
  return (
    <Diagram
      title="Input speed over output speed"
      beside={field}
      kind="line"
      height={200}
      series={drawn.series}
      options={drawn.options}
      tip={drawn.tip}
      rows={stretches}
      keyOf={({ position }) => position}
      columns={[
        { head: 'Position', value: ({ position }) => position },
        ...(
          [
            [`Output from, ${speed.unit}`, 'fromOutput'],
            [`Output to, ${speed.unit}`, 'toOutput'],
            [`Input after the shift, ${speed.unit}`, 'fromInput'],
          ] as const
        ).map(([head, key]) => ({
          head,
          numeric: true,
          value: (row: Stretch) => row[key],
          cell: (row: Stretch) => figure(row[key]),
        })),
        {
          head: 'Input drops, %',
          numeric: true,
          value: ({ drop }) => drop,
          cell: ({ drop }) => (drop === null ? '—' : percent(drop)),
        },
      ]}
    />
  );
}

/** Forward positions from the largest ratio to the smallest, each until the input reaches the speed to shift at. */
function stretchesOf({ rows }: Chart, shiftAt: number): readonly Stretch[] {
  const forward = rows
    .flatMap((row) => {
      const ratio = rungOf(row);
      return ratio ? [{ name: row.name, ratio: toNumber(ratio) }] : [];
    })
    .sort((a, b) => b.ratio - a.ratio)
    .filter(({ ratio }, i, all) => i === 0 || ratio !== itemAt(all, i - 1).ratio);
  return forward.map(({ name, ratio }, i) => {
    const fromOutput = i === 0 ? 0 : shiftAt / itemAt(forward, i - 1).ratio;
    return {
      position: name,
      fromOutput,
      toOutput: shiftAt / ratio,
      fromInput: fromOutput * ratio,
      toInput: shiftAt,
      drop: i === 0 ? null : 100 * ((fromOutput * ratio) / shiftAt - 1),
    };
  });
}

function draw(stretches: readonly Stretch[], unit: string) {
  // Three points for each, the last one a gap: a line for each position would take the charts seconds to draw.
  const lines = stretches.flatMap(({ fromOutput, toOutput, fromInput, toInput }) => [
    { x: fromOutput, y: fromInput },
    { x: toOutput, y: toInput },
    { x: toOutput, y: null },
  ]);
  const drops = stretches.flatMap(({ fromOutput, fromInput, toInput, drop }) => [
    { x: fromOutput, y: drop === null ? null : toInput },
    { x: fromOutput, y: drop === null ? null : fromInput },
    { x: fromOutput, y: null },
  ]);
  const labels = labelsOf(stretches);
  const across = roundAxis(0, itemAt(stretches, -1).toOutput, 8);
  const up = roundAxis(0, itemAt(stretches, 0).toInput * 1.08, 4);
  return {
    series: [
      { name: 'Input speed', data: lines },
      { name: 'at the shift', data: drops },
    ],
    tip: (_: number, point: number) => {
      const { position, fromInput, drop } = itemAt(stretches, Math.floor(point / 3));
      const dropped = drop === null ? '' : `, ${percent(drop)} % at the shift`;
      return `${position}: from ${figure(fromInput)} ${unit}${dropped}`;
    },
    options: {
      colors: [inkFor('var(--member-0)'), inkFor('var(--color-base-content)')],
      stroke: { curve: 'straight' as const, width: [2.5, 1], dashArray: [0, 4] },
      legend: { show: false },
      markers: { size: 0 },
      dataLabels: {
        enabled: stretches.length <= 16,
        enabledOnSeries: [0],
        offsetY: -2,
        style: { fontSize: '12px', colors: [inkFor('var(--color-base-content)')] },
        background: { enabled: false },
        formatter: (_: number, { dataPointIndex }: { dataPointIndex: number }) =>
          dataPointIndex % 3 === 1 ? itemAt(labels, Math.floor(dataPointIndex / 3)) : '',
      },
      xaxis: {
        type: 'numeric' as const,
        min: 0,
        max: across.max,
        tickAmount: across.ticks,
        title: { text: `Output speed, ${unit}` },
        labels: { formatter: (value: string) => tickText(Number(value)) },
      },
      yaxis: {
        min: 0,
        max: up.max,
        tickAmount: up.ticks,
        title: { text: `Input speed, ${unit}` },
        labels: { formatter: (value: number) => tickText(value) },
      },
      tooltip: { intersect: false },
    },
  };
}

/** Names nearer to each other than this part of the axis would lie on each other. */
const NEAR = 0.02;

/** The name at the end of each stretch; where the next one ends too near, both stand there together. */
function labelsOf(stretches: readonly Stretch[]): readonly string[] {
  const near = NEAR * itemAt(stretches, -1).toOutput;
  const labels: string[] = [];
  let waiting: string[] = [];
  stretches.forEach(({ position, toOutput }, i) => {
    waiting.push(position);
    const next = stretches[i + 1];
    const alone = !next || next.toOutput - toOutput >= near;
    labels.push(alone ? waiting.join(', ') : '');
    if (alone) waiting = [];
  });
  return labels;
}
