'use client';

import { stageProduct, type ChainStage, type StageTable, stageTable } from '@/core/gear-chart';
import { abs, toNumber } from '@/core/rational';
import type { Train } from '@/core/train';
import { figure, ratioFigure, wayText } from '@/core/units';
import { exact, listed, memberName } from '@/core/words';
import { useTrain } from '@/features/train/use-train';
import type { Column } from '@/ui/column';
import { DataTable } from '@/ui/data-table';
import { usePreferences } from '@/ui/preferences';
import { partsById } from '@/core/train';
import { modelOf } from '@/core/model';

type Row = StageTable['rows'][number];

/** The stages of every position that is a plain chain, driven over driver, in the order power takes them. */
export function Stages() {
  const train = useTrain((state) => state.train);
  const convention = usePreferences((state) => state.convention);
  const table = modelOf(train).derive(stageTable);
  const name = (id: string) => partsById(train).position(id).name;
  const branched = table.branched.length > 0 && (
    <p className="muted mt-1 text-sm">
      Not here, as no plain chain of single stages leads through: {listed(table.branched.map(name))}. The Bench’s
      Working derives them.
    </p>
  );
  if (table.rows.length === 0)
    return (
      <>
        <p className="text-sm">
          {table.branched.length > 0
            ? 'No position of this train is a plain chain of stages.'
            : 'No position drives, so there are no stages.'}
        </p>
        {branched}
      </>
    );
  const columns: Column<Row>[] = [
    { head: 'Position', value: ({ id }) => name(id) },
    ...Array.from({ length: table.columns }, (_, i): Column<Row> => ({
      head: `Stage ${i + 1}`,
      title: 'Driven teeth over driver teeth; of a set its ratio with one member held',
      value: ({ stages }) => (stages[i] ? stageText(stages[i]) : null),
      cell: ({ stages }) => (stages[i] ? <StageCell stage={stages[i]} /> : <span className="muted">—</span>),
    })),
    {
      head: `Ratio, ${convention}`,
      numeric: true,
      value: ({ ratio }) => toNumber(ratio),
      cell: ({ ratio }) => (
        <span title={`exactly ${exact(ratio)} in/out`}>
          {ratioFigure(ratio, convention)} {wayText(ratio)}
        </span>
      ),
    },
  ];
  return (
    <>
      <Common word="Input stage" stages={table.first} />
      <Common word="Final stage" stages={table.last} />
      <DataTable label="Stages" rows={table.rows} columns={columns} keyOf={({ id }) => id} />
      {branched}
    </>
  );
}

/** Stages that are the same in all rows, told once. */
function Common({ word, stages }: { word: string; stages: readonly ChainStage[] }) {
  const train = useTrain((state) => state.train);
  if (stages.length === 0) return null;
  return (
    <p className="text-sm">
      <span className="muted">{word}, in every position: </span>
      <span className="figure">{stages.map(stageText).join(' × ')}</span>
      <span className="muted"> = {figure(toNumber(abs(stageProduct(stages))))}</span>
      <span className="muted ml-2">({stages.map((stage) => stageSays(train, stage)).join('; ')})</span>
    </p>
  );
}

function StageCell({ stage }: { stage: ChainStage }) {
  const train = useTrain((state) => state.train);
  return (
    <span className="figure" title={`${stageSays(train, stage)}, ${exact(stage.ratio)} in/out`}>
      {stageText(stage)}
    </span>
  );
}

/** "45/15", "set 17/5". */
const stageText = (stage: ChainStage): string =>
  stage.kind === 'pair' ? `${stage.drivenTeeth}/${stage.driverTeeth}` : `set ${exact(stage.ratio)}`;

function stageSays(train: Train, stage: ChainStage): string {
  if (stage.kind === 'set')
    return (
      `set on ${memberName(train, stage.arm)}, from ` +
      `${memberName(train, stage.from)} to ${memberName(train, stage.to)}`
    );
  const on = (id: string) => memberName(train, partsById(train).gear(id).member);
  return `${on(stage.driver)} drives ${on(stage.driven)}`;
}
