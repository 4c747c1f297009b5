'use client';

import { addGearOn, addIdlerBetween, addMeshingGear, addSetRound, addStep, changeGear, changeMesh, makeSliding, removePart, type Gear, type Mesh } from '@/core/train';
import { highlightOf, useBench } from '../store';
import { memberName } from '../words';
import { GoesAlong } from './goes-along';
import { TeethField } from './teeth-field';
import { numberOrNothing, TextField } from './text-field';
import { useEdit, type Say } from './use-edit';

/** Teeth that new gears start with; each is picked at once to be changed. */
const START = { gear: 30, idler: 20, sun: 24, planet: 18 };

/** A gear's teeth and module, its meshes, and the parts that make sense beside it. */
export function GearFields({ gear, say }: { gear: Gear; say: Say }) {
  const train = useBench((state) => state.train);
  const set = useBench((state) => state.set);
  const edit = useEdit(say);
  const carried = train.members.find(({ id }) => id === gear.member)?.carrier !== undefined;
  const meshes = train.meshes.filter(({ gears }) => gears.includes(gear.id));
  return (
    <>
      <TeethField gear={gear} say={say} />
      <TextField label="Module" unit="mm" numeric value={gear.module === undefined ? '' : String(gear.module)} onDone={(text) => edit(changeGear(train, gear.id, { module: numberOrNothing(text) }))} />
      {meshes.map((mesh) => (
        <MeshFields key={mesh.id} mesh={mesh} gear={gear} say={say} />
      ))}
      <div role="group" aria-label="Add" className="flex flex-wrap gap-1.5 border-t border-base-300 pt-2">
        <Add label="Meshing gear" onAdd={() => edit(addMeshingGear(train, gear.id, START.gear))} />
        <Add label="Gear on this shaft" onAdd={() => edit(addGearOn(train, gear.member, START.gear))} />
        {carried ? <Add label="Step and sun" onAdd={() => edit(addStep(train, gear.member, START.planet, START.sun))} /> : <Add label="Planetary set" onAdd={() => edit(addSetRound(train, gear.member, START.sun, START.planet))} />}
      </div>
      <div className="flex flex-wrap justify-between gap-1.5 border-t border-base-300 pt-2">
        <button type="button" className="btn btn-ghost btn-xs" onClick={() => set({ editing: { kind: 'member', id: gear.member } })}>
          {memberName(train, gear.member)}…
        </button>
        <GoesAlong part={{ kind: 'gear', id: gear.id }} onRemove={() => edit(removePart(train, { kind: 'gear', id: gear.id }), null)} />
      </div>
    </>
  );
}

function MeshFields({ mesh, gear, say }: { mesh: Mesh; gear: Gear; say: Say }) {
  const train = useBench((state) => state.train);
  const set = useBench((state) => state.set);
  const edit = useEdit(say);
  const other = train.gears.find(({ id }) => id !== gear.id && mesh.gears.includes(id))!;
  const slides = train.couplers.some((coupler) => !('joins' in coupler) && coupler.mesh === mesh.id);
  return (
    <fieldset className="flex flex-col gap-1.5 border-t border-base-300 pt-2" onPointerEnter={() => set({ highlight: highlightOf({ gears: [gear.id, other.id] }) })} onPointerLeave={() => set({ highlight: null })}>
      <legend className="sr-only">
        Mesh with {other.teeth} on {memberName(train, other.member)}
      </legend>
      <p className="muted" aria-hidden>
        Meshes with {other.teeth} on {memberName(train, other.member)}
      </p>
      <TextField label="Efficiency" numeric value={mesh.efficiency === undefined ? '' : String(mesh.efficiency)} onDone={(text) => edit(changeMesh(train, mesh.id, { efficiency: numberOrNothing(text) }))} />
      <div className="flex flex-wrap gap-1.5">
        <Add label="Idler between" onAdd={() => edit(addIdlerBetween(train, mesh.id, START.idler))} />
        {!slides && <Add label="Make it slide" onAdd={() => edit(makeSliding(train, mesh.id), null)} />}
      </div>
    </fieldset>
  );
}

export function Add({ label, onAdd }: { label: string; onAdd: () => void }) {
  return (
    <button type="button" className="btn btn-xs" onClick={onAdd}>
      + {label}
    </button>
  );
}
