import { useMemo } from 'react';
import { listed } from '@/core/words';
import { disputedPositions, efficiencies, meshEfficiencyFor, type MeasuredEfficiency } from '@/core/measurement';
import { toNumber } from '@/core/rational';
import { figure } from '@/core/units';
import { analyseEngaged } from '@/features/train/analysis';
import { editTrain } from '@/features/train/edit';
import { useTrain, useTrainStore } from '@/features/train/use-train';
import { DataTable } from '@/ui/data-table';
import { useJudgement } from '../use-log';
import { EfficiencyPicture } from './efficiency-picture';
import { partsById } from '@/core/train';

/** What power comes through, position by position, and the train's own efficiency made of it. */
export function Efficiency() {
  const { judge, rows } = useJudgement();
  const train = useTrain((state) => state.train);
  const store = useTrainStore();
  const nameOf = (id: string) => partsById(train).find.position(id)?.name || id;
  const judged = useMemo(() => [...rows].reverse().flatMap((row) => row.judged ?? []), [rows]);
  const found = useMemo(() => efficiencies(judge, judged), [judge, judged]);
  const places = useMemo(() => disputedPositions(judge, judged), [judge, judged]);
  const noted = places.length > 0 && (
    <p role="alert" className="border-l-3 border-error pl-2">
      Torques that contradict one another were read in {listed(places.map(nameOf))}: no efficiency comes from them.
      Choose one in the table to see which.
    </p>
  );
  if (found.length === 0)
    return (
      noted || (
        <p className="muted">
          Log a torque at the output (scale on an arm, pull of a weight) together with the input torque, and what comes
          through shows here.
        </p>
      )
    );
  const ratioOf = (id: string) => {
    const { ratio } = analyseEngaged(train, partsById(train).find.position(id)?.engaged ?? [], 'drive', false).solved;
    return ratio ? Math.abs(toNumber(ratio)) : null;
  };
  const use = ({ position, value }: MeasuredEfficiency) => {
    const engaged = partsById(train).find.position(position)?.engaged ?? [];
    const efficiency = meshEfficiencyFor(train, engaged, value);
    if (efficiency === null)
      return store
        .getState()
        .say('No efficiency of its meshes gives that: more comes out than goes in, or less than a fifth.');
    const meshes = train.meshes.map(({ efficiency: _, ...mesh }) => mesh);
    editTrain(
      store,
      { ...train, meshes, efficiency },
      {
        notice:
          `Every mesh now lets through ${figure(efficiency * 100)} %, as measured ` +
          `in ${nameOf(position)}. Undo takes it back.`,
      },
    );
  };
  const points = found.map((one) => ({ ...one, name: nameOf(one.position), ratio: ratioOf(one.position) }));
  return (
    <div className="flex flex-col gap-2">
      {noted}
      <DataTable
        label="Measured efficiency"
        oneLine
        rows={points}
        keyOf={({ position }) => position}
        columns={[
          { head: 'Position', value: ({ name }) => name },
          { head: '%', numeric: true, value: ({ value }) => value * 100, cell: ({ value }) => figure(value * 100) },
          { head: 'least', numeric: true, value: ({ least }) => least * 100, cell: ({ least }) => figure(least * 100) },
          { head: 'most', numeric: true, value: ({ most }) => most * 100, cell: ({ most }) => figure(most * 100) },
          {
            head: 'per mesh, %',
            title: 'The same for each of the meshes that carry power, were they alike: η^(1/k)',
            numeric: true,
            value: ({ perMesh }) => perMesh && perMesh * 100,
            cell: ({ perMesh, meshes }) => (perMesh === null ? '—' : `${figure(perMesh * 100)} × ${meshes}`),
          },
        ]}
      />
      <ul className="flex flex-col gap-1">
        {found.map((one) => (
          <li key={one.position}>
            <button type="button" className="btn btn-xs" onClick={() => use(one)}>
              Use it in the model
            </button>{' '}
            as measured in {nameOf(one.position)}
          </li>
        ))}
      </ul>
      {points.length > 1 && <EfficiencyPicture points={points} />}
      <p className="muted text-xs">
        Every mesh gets the same: the value with which the solver lets through what was measured, also where power goes
        more than one way.
      </p>
    </div>
  );
}
