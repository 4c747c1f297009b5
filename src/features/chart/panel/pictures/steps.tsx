'use client';

import { useMemo } from 'react';
import type { Chart, IdealSteps } from '@/core/gear-chart';
import { toNumber } from '@/core/rational';
import { figure, tickText } from '@/core/units';
import { Diagram, inkFor } from '@/ui/diagram';
import { useSettled } from '@/ui/settled';
import { useTheme } from '@/ui/theme';
import { percent } from '../../table/row-figures';
import { useIdeals, useRows } from '../../use-chart';
import { roundAxis } from './axes';
import { itemAt } from '@/core/required';

interface Step {
  readonly shift: string;
  readonly step: number;
  readonly ideal: number | null;
}

/** The steps of the chart against those of the school that is chosen. */
export function Steps() {
  const chart = useSettled(useRows());
  const ideals = useSettled(useIdeals());
  const theme = useTheme();
  const steps = useMemo(() => stepsOf(chart, ideals), [chart, ideals]);
  const drawn = useMemo(() => ({ ...draw(steps, ideals), theme }), [steps, ideals, theme]);
  if (steps.length === 0) return <p className="muted text-sm">Steps need two positions that drive forward.</p>;
  return (
    <Diagram
      title="Steps"
      kind="line"
      height={200}
      series={drawn.series}
      options={drawn.options}
      tip={drawn.tip}
      rows={steps}
      keyOf={({ shift }) => shift}
      columns={[
        { head: 'Shift', value: ({ shift }) => shift },
        { head: 'Step', numeric: true, value: ({ step }) => step, cell: ({ step }) => figure(step) },
        {
          head: `Ideal, ${ideals.school}`,
          numeric: true,
          value: ({ ideal }) => ideal,
          cell: ({ ideal }) => (ideal === null ? '—' : figure(ideal)),
        },
        {
          head: 'Off, %',
          numeric: true,
          value: ({ step, ideal }) => (ideal === null ? null : 100 * (step / ideal - 1)),
          cell: ({ step, ideal }) => (ideal === null ? '—' : percent(100 * (step / ideal - 1))),
        },
      ]}
    />
  );
}

function stepsOf({ rows }: Chart, ideals: IdealSteps): readonly Step[] {
  return rows.flatMap(({ id, name, step }, i): Step[] => {
    const next = rows.slice(i + 1).find(({ solved: { ratio } }) => ratio !== null && toNumber(ratio) > 0);
    return step && next
      ? [{ shift: `${name} → ${next.name}`, step: toNumber(step), ideal: ideals.steps.get(id) ?? null }]
      : [];
  });
}

/** Shifts whose names have room below the axis. */
const MOST_NAMED = 16;

function draw(steps: readonly Step[], { school }: IdealSteps) {
  // The charts measure every label by itself, which takes seconds where there are many.
  const named = steps.length <= MOST_NAMED;
  const most = Math.max(...steps.map(({ step, ideal }) => Math.max(step, ideal ?? 0)), 1.1);
  const axis = roundAxis(steps.every(({ step }) => step >= 1) ? 1 : 0, most, 4);
  return {
    series: [
      { name: 'Step', type: 'column', data: steps.map(({ shift, step }) => ({ x: shift, y: step })) },
      { name: `Ideal, ${school}`, type: 'line', data: steps.map(({ shift, ideal }) => ({ x: shift, y: ideal })) },
    ],
    tip: (line: number, at: number) => {
      const { shift, step, ideal } = itemAt(steps, at);
      return line === 1 && ideal !== null ? `${shift}: ideal ${figure(ideal)}` : `${shift}: ${figure(step)}`;
    },
    options: {
      colors: [inkFor('var(--member-0)'), inkFor('var(--color-base-content)')],
      stroke: { width: [0, 2], dashArray: [0, 4] },
      markers: { size: [0, steps.length > 20 ? 0 : 4] },
      plotOptions: { bar: { columnWidth: '45%' } },
      fill: { opacity: [0.75, 1] },
      legend: { position: 'top' as const, horizontalAlign: 'right' as const, offsetY: 4 },
      xaxis: {
        type: 'category' as const,
        title: { text: named ? 'Shift' : 'Shifts, in the order of the chart' },
        labels: { show: named, rotate: -45, hideOverlappingLabels: true },
      },
      yaxis: {
        min: axis.min,
        max: axis.max,
        tickAmount: axis.ticks,
        title: { text: 'Step, ratio over the next' },
        labels: { formatter: (value: number) => tickText(value) },
      },
    },
  };
}
