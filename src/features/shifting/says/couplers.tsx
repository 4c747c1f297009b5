import { useMemo, useState } from 'react';
import { couplerDuties, shaftDuties, type Dog } from '@/core/shifting';
import { figure, readFigure } from '@/core/units';
import { couplerName, memberName } from '@/core/words';
import { DataTable } from '@/ui/data-table';
import type { Setup } from '../setup';
import { useNameOf, useUnits } from '../use-shifting';
import { Paths } from './paths';

const FIELDS = { teeth: 'Dog teeth', radiusMm: 'Mean radius, mm', friction: 'Friction' } as const;

/**
 * What couplers carry when they let go and how long they look for their gap; on which shaft a coupler would carry
 * least; two paths and what is left of them.
 */
export function Couplers({ setup }: { setup: Setup }) {
  const [text, setText] = useState({ teeth: '6', radiusMm: '15', friction: '0.15' });
  const dog = Object.fromEntries(
    Object.entries(text).map(([key, value]) => [key, readFigure(value)]),
  ) as unknown as Dog;
  const sound = dog.teeth >= 1 && dog.radiusMm > 0 && dog.friction >= 0;
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        {(Object.keys(FIELDS) as (keyof Dog)[]).map((key) => (
          <label key={key} className="flex items-center gap-1">
            <span className="muted">{FIELDS[key]}</span>
            <input
              className="input input-xs figure w-12"
              value={text[key]}
              onChange={(event) => setText({ ...text, [key]: event.target.value })}
            />
          </label>
        ))}
      </div>
      {sound ? (
        <Duties setup={setup} dog={dog} />
      ) : (
        <p role="alert" className="text-error">
          At least one tooth, a radius above 0 and a friction of 0 or more.
        </p>
      )}
      <Paths setup={setup} />
    </div>
  );
}

function Duties({ setup, dog }: { setup: Setup; dog: Dog }) {
  const { train, scenario, points } = setup;
  const { perRpm, perNm, speedUnit, torqueUnit } = useUnits();
  const nameOf = useNameOf();
  const losses = scenario.losses ?? false;
  const { teeth, radiusMm, friction } = dog;
  const [duties, shafts] = useMemo(() => {
    const own = { teeth, radiusMm, friction };
    return [
      couplerDuties(train, points, scenario.order, own, losses),
      shaftDuties(train, points, own, losses),
    ] as const;
  }, [train, points, scenario.order, losses, teeth, radiusMm, friction]);
  const shown = (value: number | null) => (value === null ? '—' : figure(value));
  return (
    <>
      {duties.length > 0 && (
        <DataTable
          label="Couplers at each shift"
          rows={duties}
          keyOf={({ coupler, from, to, does }) => `${coupler} ${from} ${to} ${does}`}
          columns={[
            { head: 'Shift', value: ({ from, to }) => `${nameOf(from)} → ${nameOf(to)}` },
            { head: 'Coupler', value: ({ coupler, does }) => `${couplerName(train, coupler)} ${does}` },
            {
              less: true,
              head: torqueUnit,
              title: 'Torque that it carries until then',
              numeric: true,
              value: ({ torqueNm }) => torqueNm && torqueNm * perNm,
              cell: ({ torqueNm }) => shown(torqueNm && torqueNm * perNm),
            },
            {
              head: 'Pull, N',
              title: 'Force along the shaft that pulls the dog out: friction times torque over radius',
              numeric: true,
              value: ({ pullOutN }) => pullOutN,
              cell: ({ pullOutN }) => shown(pullOutN),
            },
            {
              less: true,
              head: `Apart, ${speedUnit}`,
              title: 'Difference of its two sides’ speeds before it comes in',
              numeric: true,
              value: ({ differenceRpm }) => differenceRpm && differenceRpm * perRpm,
              cell: ({ differenceRpm }) => shown(differenceRpm && differenceRpm * perRpm),
            },
            {
              head: 'Finds within, s',
              title: 'The longest that a dog looks for its gap: one tooth of relative turn',
              numeric: true,
              value: ({ entryS }) => entryS,
              cell: ({ does, entryS, differenceRpm }) =>
                does === 'releases' ? '—' : entryS === null ? (differenceRpm === 0 ? MAY_NEVER : '—') : figure(entryS),
            },
          ]}
        />
      )}
      <DataTable
        label="Shafts for a coupler"
        oneLine
        beside={
          <span className="muted">The same power at a faster shaft is less torque, and less force to pull out.</span>
        }
        rows={shafts}
        keyOf={({ position, member }) => `${position} ${member}`}
        columns={[
          { head: 'Shaft', value: ({ member }) => memberName(train, member) },
          { head: 'In', value: ({ position }) => nameOf(position) },
          { head: speedUnit, numeric: true, value: ({ rpm }) => rpm * perRpm, cell: ({ rpm }) => figure(rpm * perRpm) },
          {
            head: torqueUnit,
            numeric: true,
            value: ({ torqueNm }) => Math.abs(torqueNm) * perNm,
            cell: ({ torqueNm }) => figure(Math.abs(torqueNm) * perNm),
          },
          {
            less: true,
            head: 'W',
            title: 'Power that it carries',
            numeric: true,
            value: ({ powerW }) => powerW,
            cell: ({ powerW }) => figure(powerW),
          },
          {
            head: 'Pull, N',
            numeric: true,
            value: ({ pullOutN }) => pullOutN,
            cell: ({ pullOutN }) => figure(pullOutN),
          },
        ]}
      />
    </>
  );
}

const MAY_NEVER = <span className="whitespace-normal">may never: turn it a little</span>;
