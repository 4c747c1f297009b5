'use client';

import { useMemo, type ReactNode } from 'react';
import {
  couplerForces,
  memberForces,
  meshForces,
  rankWheels,
  turningForces,
  type Bending,
  type ForcesUse,
  type MemberForces,
  type MeshForces,
  type WheelStress,
} from '@/core/forces';
import { CAUTIONS } from '@/core/cautions';
import { geometryOf } from '@/core/geometry';
import { figure } from '@/core/units';
import { couplerName, gearName, memberName } from '@/core/words';
import { partsById, type Mesh, type Train } from '@/core/train';
import { useLight, useTrain } from '@/features/train/use-train';
import { useForces, type Forced } from '../use-forces';

/** What the teeth bear and how they run, mesh by mesh; what bearings hold; which wheel is used hardest. */
export function TeethFigures() {
  const forced = useForces();
  return forced && <Teeth of={forced} />;
}

function Teeth({ of: { train, use, solved, byLoads } }: { of: Forced }) {
  const forces = useMemo(() => meshForces(solved, use), [solved, use]);
  const members = useMemo(() => memberForces(train, forces, turningForces(solved, use)), [train, forces, solved, use]);
  if (train.gears.length === 0) return null;
  if (train.gears.every(({ module }) => module === undefined))
    return (
      <section aria-label="Teeth" className="mt-4 border-t border-base-300 pt-2 text-sm">
        <h3 className="font-semibold">Teeth</h3>
        <p className="muted">Give a gear its module and face width on its card: then forces and sizes stand here.</p>
      </section>
    );
  const parts = partsById(train);
  const borne = [...members].filter(([, { shaft }]) => shaft !== null);
  const unknown = [...members].filter(([id, { lacks }]) => lacks !== null && parts.member(id).bearings);
  const held = [...couplerForces(solved, use.torqueNm)].filter(([, { forceN }]) => forceN !== null);
  const pins = [...members].filter(([, { pinN }]) => pinN !== null && pinN > 0);
  return (
    <section aria-label="Teeth" className="mt-4 border-t border-base-300 pt-2 text-sm">
      <h3 className="font-semibold">Teeth</h3>
      <Grid head={['Mesh', 'along', 'apart', 'axial', 'N/mm', 'm/s']} units="N on one copy, at the working circles">
        {train.meshes.map((mesh) => (
          <MeshRow key={mesh.id} mesh={mesh} forces={forces.get(mesh.id) ?? null} />
        ))}
      </Grid>
      <Running train={train} />
      {pins.length > 0 && (
        <p className="mt-1.5">
          {pins.map(([id, member]) => `Pin of ${memberName(train, id)}: ${pinText(member)}`).join(' · ')}
        </p>
      )}
      {held.length > 0 && (
        <p className="mt-1.5">
          {held
            .map(([id, { forceN }]) => `${couplerName(train, id)}: ${figure(forceN ?? 0)} N on its dogs together`)
            .join(' · ')}
        </p>
      )}
      {borne.length > 0 && (
        <Grid head={['Bearings of', 'first', 'second', 'axial', 'bent']} units="N; N·m where it is bent most">
          {borne.map(([id, { shaft, overhung }]) => (
            <tr key={id} className="border-b border-base-300/60">
              <td>
                {memberName(train, id)}
                {overhung.length > 0 && <span className="muted block text-xs">a wheel is overhung</span>}
                {shaft && <BendingLine diagram={shaft.diagram} />}
              </td>
              {shaft?.bearings.map(({ atMm, n, angleDeg }) => (
                <td
                  key={atMm}
                  className="figure"
                  title={`at ${figure(atMm)} mm${angleDeg === null ? '' : `, ${angleDeg.toFixed(0)}°`}`}
                >
                  {figure(n)}
                </td>
              ))}
              <td className="figure">{thrust(shaft?.thrustN ?? 0)}</td>
              <td className="figure">{figure(shaft?.bendingNm ?? 0)}</td>
            </tr>
          ))}
        </Grid>
      )}
      {unknown.map(([id, { lacks }]) => (
        <p key={id} className="muted mt-1.5">
          Bearings of {memberName(train, id)}: not known. {lacks}
        </p>
      ))}
      {byLoads ? (
        <p className="muted mt-1.5">With a torque given at the input the wheels are compared over all positions.</p>
      ) : (
        <Hardest train={train} use={use} />
      )}
    </section>
  );
}

const pinText = ({ pinN, turningN }: MemberForces): string =>
  `${figure(pinN ?? 0)} N${turningN === null ? '' : ` (${figure(turningN)} N of it outward, by turning)`}`;

function Grid({ head, units, children }: { head: readonly string[]; units: string; children: ReactNode }) {
  return (
    <table className="mt-1 w-full [&_td]:py-0.5 [&_td:not(:first-child)]:text-right [&_th:not(:first-child)]:text-right">
      <caption className="muted caption-bottom pt-0.5 text-left text-xs">{units}</caption>
      <thead className="muted">
        <tr>
          {head.map((text) => (
            <th key={text} scope="col" className="border-b border-base-300 text-left font-normal">
              {text}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>{children}</tbody>
    </table>
  );
}

function MeshRow({ mesh, forces }: { mesh: Mesh; forces: MeshForces | null }) {
  const train = useTrain((state) => state.train);
  const light = useLight();
  const [a, b] = partsById(train).pair(mesh);
  const cells = forces && [forces.tangentialN, forces.radialN, forces.axialN, forces.perMmN, forces.pitchSpeedMs];
  return (
    <tr
      className="border-b border-base-300/60 hover:bg-base-200"
      onPointerEnter={() => light({ gears: [a.id, b.id] })}
      onPointerLeave={() => light(null)}
    >
      <td title={`${gearName(train, a)}, ${gearName(train, b)}`}>
        {a.teeth} / {b.teeth}
        {forces && forces.copies > 1 && <span className="muted"> ×{forces.copies}</span>}
      </td>
      {cells ? (
        cells.map((value, i) => (
          <td key={i} className="figure">
            {value === null ? '—' : figure(value)}
          </td>
        ))
      ) : (
        <td colSpan={5} className="muted">
          not known
        </td>
      )}
    </tr>
  );
}

/** Where each pair on parallel axes runs. */
function Running({ train }: { train: Train }) {
  const geometry = geometryOf(train);
  const rows = train.meshes.flatMap((mesh) => {
    const run = geometry.mesh(mesh.id);
    return run ? [{ mesh, run }] : [];
  });
  if (rows.length === 0) return null;
  return (
    <Grid head={['Mesh', 'centre', 'angle', 'contact', 'backlash']} units="mm; degrees across the axis">
      {rows.map(({ mesh, run }) => {
        const [a, b] = partsById(train).pair(mesh);
        const contact = run.usableContactRatio + (run.overlapRatio ?? 0);
        return (
          <tr key={mesh.id} className="border-b border-base-300/60">
            <td>
              {a.teeth} / {b.teeth}
            </td>
            <td className="figure">{figure(run.running.centreMm)}</td>
            <td className="figure">{((run.running.workingAngle * 180) / Math.PI).toFixed(2)}</td>
            <td className="figure">{contact.toFixed(2)}</td>
            <td className="figure">{Math.abs(run.backlashMm) < 5e-4 ? '0' : run.backlashMm.toFixed(3)}</td>
          </tr>
        );
      })}
    </Grid>
  );
}

/** How far a shaft is bent along its length: the farther the line is from below, the more. */
function BendingLine({ diagram }: { diagram: readonly Bending[] }) {
  const [first, last] = [diagram[0], diagram.at(-1)];
  const most = Math.max(0, ...diagram.map(({ nm }) => nm));
  if (!first || !last || most === 0 || first.atMm === last.atMm) return null;
  const [wide, high] = [96, 18];
  const places = diagram.map(({ atMm, nm }) => {
    const x = (wide * (atMm - first.atMm)) / (last.atMm - first.atMm);
    return `${x.toFixed(1)},${(high - ((high - 2) * nm) / most).toFixed(1)}`;
  });
  const at = diagram.find(({ nm }) => nm === most);
  return (
    <svg
      viewBox={`0 0 ${wide} ${high}`}
      width={wide}
      height={high}
      role="img"
      aria-label={`Bent most at ${figure(at?.atMm ?? 0)} mm`}
      className="mt-0.5 block overflow-visible"
    >
      <polyline points={`0,${high} ${wide},${high}`} className="stroke-base-content/40" />
      <polyline points={places.join(' ')} className="fill-none stroke-base-content" strokeWidth={1.2} />
    </svg>
  );
}

/** So many wheels are named; the rest are used less. */
const SHOWN = 5;

function Hardest({ train, use }: { train: Train; use: ForcesUse }) {
  const ranked = useMemo(() => rankWheels(train, use), [train, use]);
  const { gear, pair } = partsById(train);
  if (ranked.length === 0) {
    const areWide = train.meshes.some((mesh) => pair(mesh).every(({ faceWidth }) => faceWidth !== undefined));
    return (
      <p className="muted mt-1.5">
        {areWide
          ? 'The wheels are not compared: in no position is it known what they bear.' +
            (train.outputs.length > 1 ? ' How power divides depends on what holds each output.' : '')
          : 'With face widths on both sides of a mesh the wheels are compared here.'}
      </p>
    );
  }
  const printed = ranked.some((one) => gear(one.gear).material === 'printed');
  return (
    <>
      <Grid
        head={['Used hardest', 'root', 'flank', 'in']}
        units="N/mm², bending in the root and pressure on the flank, each in its worst position"
      >
        {ranked.slice(0, SHOWN).map((one) => (
          <tr key={one.gear} className="border-b border-base-300/60">
            <td>
              {gearName(train, gear(one.gear))}
              <span className="muted block text-xs">
                {one.ofLargest === 1 ? 'the most' : `${(100 * one.ofLargest).toFixed(0)} % of it`}
              </span>
            </td>
            <td className="figure">{figure(one.rootStressMPa)}</td>
            <td
              className="figure"
              title={one.contact ? `in ${partsById(train).position(one.contact.position).name}` : undefined}
            >
              {one.contact === null ? '—' : figure(one.contact.pressureMPa)}
            </td>
            <td>{partsById(train).position(one.position).name}</td>
          </tr>
        ))}
      </Grid>
      <p className="muted mt-1 text-xs">
        <EvenOut train={train} ranked={ranked} /> {CAUTIONS.comparison} Width, module and shift even it out.
        {printed && ' Printed wheels are weak across their layers: print them lying flat.'}
      </p>
    </>
  );
}

/** How wide the wheel that is used hardest would have to be to be used no harder than the next of another mesh. */
function EvenOut({ train, ranked }: { train: Train; ranked: readonly WheelStress[] }) {
  const [first] = ranked;
  // Its mate becomes wider with it.
  const next = ranked.find(({ mesh }) => mesh !== first?.mesh);
  if (!first || !next || first.rootStressMPa === next.rootStressMPa) return null;
  const { gear, mesh, pair } = partsById(train);
  const width = Math.min(...pair(mesh(first.mesh)).map(({ faceWidth = Infinity }) => faceWidth));
  const wanted = (width * first.rootStressMPa) / next.rootStressMPa;
  // What was typed as it was told is as even as figures tell.
  if (figure(wanted) === figure(width)) return null;
  return (
    <>
      {gearName(train, gear(first.gear))} and its mate {figure(wanted)} mm wide instead of {figure(width)} would bend it
      no more than {gearName(train, gear(next.gear))}.
    </>
  );
}

/** What rounding leaves of thrusts that cancel is none. */
const thrust = (n: number): string => (Math.abs(n) < 0.05 ? '0' : figure(n));
