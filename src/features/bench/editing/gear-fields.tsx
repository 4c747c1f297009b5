'use client';

import { ArrowLeft, ArrowRight } from 'lucide-react';
import { tipSpeed, USUAL_TIP_SPEEDS } from '@/core/checks';
import { stiffnessOf } from '@/core/forces';
import { geometryOf } from '@/core/geometry';
import { toNumber } from '@/core/rational';
import {
  addGearOn,
  addIdlerBetween,
  addMesh,
  addMeshingGear,
  addPlanetsRound,
  addStep,
  changeElasticity,
  changeGear,
  changeMesh,
  freeGear,
  isInFittingSet,
  makeSliding,
  MATERIALS,
  setGearType,
  setTipSpeedLimit,
  type Gear,
  type GearType,
  type Material,
  type Mesh,
  partsById,
} from '@/core/train';
import { figure } from '@/core/units';
import { memberName } from '@/core/words';
import { useTyped } from '@/features/train/input/typed-input';
import { useExplained } from '@/features/train/use-explained';
import { useTrain, useLight, useTrainStore } from '@/features/train/use-train';
import { figureOrNothing, TextField } from '@/ui/text-field';
import { moveGearBy } from '../drawing/gear-drag';
import { useCard, useDrawing } from '../use-bench';
import { Add } from './add';
import { ChoiceField, plainChoices } from './choice-field';
import { CopyButton } from './copy-button';
import { RemovePart } from './remove-part';
import { START_TEETH } from './start-teeth';
import { KeepSets } from '@/features/train/keep-sets';
import { TeethField } from './teeth-field';
import { useEdit, type Say } from './use-edit';
import { WheelFields } from './wheel-fields';
import { required } from '@/core/required';
import { usePartWords } from '@/ui/part-words';

/** A gear's teeth and module, its meshes, and the parts that make sense beside it. */
export function GearFields({ gear, say }: { gear: Gear; say: Say }) {
  const train = useTrain((state) => state.train);
  const openCard = useCard();
  const edit = useEdit(say);
  const carried = partsById(train).find.member(gear.member)?.carrier !== undefined;
  const meshes = train.meshes.filter(({ gears }) => gears.includes(gear.id));
  return (
    <>
      <TeethField gear={gear} say={say} />
      {isInFittingSet(train, gear.id) && <KeepSets />}
      <TextField
        label={gear.helix ? 'Module across the tooth' : 'Module'}
        unit="mm"
        numeric
        value={gear.module === undefined ? '' : String(gear.module)}
        onDone={(text) => edit(changeGear(train, gear.id, { module: figureOrNothing(text, 'mm') }))}
      />
      <TextField
        label="Face width"
        unit="mm"
        numeric
        value={gear.faceWidth === undefined ? '' : String(gear.faceWidth)}
        onDone={(text) => edit(changeGear(train, gear.id, { faceWidth: figureOrNothing(text, 'mm') }))}
      />
      <MakeFields gear={gear} say={say} />
      <WheelFields gear={gear} say={say} />
      {meshes.map((mesh) => (
        <MeshFields key={mesh.id} mesh={mesh} gear={gear} say={say} />
      ))}
      <div role="group" aria-label="Add" className="flex flex-wrap gap-1.5 border-t border-base-300 pt-2">
        <Add label="Meshing gear" onAdd={() => edit(addMeshingGear(train, gear.id, START_TEETH.gear))} />
        <Add label="Gear on this shaft" onAdd={() => edit(addGearOn(train, gear.member, START_TEETH.gear))} />
        {carried ? (
          <Add
            label="Step and sun"
            onAdd={() => edit(addStep(train, gear.member, START_TEETH.planet, START_TEETH.sun))}
          />
        ) : (
          gear.type === 'external' && (
            <Add label="Planets round it" onAdd={() => edit(addPlanetsRound(train, gear.id, START_TEETH.planet))} />
          )
        )}
        {!carried && <Add label="Clutch to its shaft" onAdd={() => edit(freeGear(train, gear.id))} />}
        <MeshWith gear={gear} say={say} />
      </div>
      <div className="flex flex-wrap items-center justify-between gap-1.5 border-t border-base-300 pt-2">
        <button
          type="button"
          className="btn btn-ghost btn-xs"
          onClick={() => openCard({ kind: 'member', id: gear.member })}
        >
          {memberName(train, gear.member)}…
        </button>
        <Place gear={gear} />
        <CopyButton part={{ kind: 'gear', id: gear.id }} />
        <RemovePart part={{ kind: 'gear', id: gear.id }} say={say} />
      </div>
    </>
  );
}

const KINDS: Record<GearType, string> = {
  external: 'external',
  internal: 'internal (ring)',
  bevel: 'bevel',
  worm: 'worm',
  sprocket: 'sprocket',
  pulley: 'pulley',
};
const NO_MATERIAL = 'not given';

/** What a gear is: its kind, what it is made of, and how fast its tips run. */
function MakeFields({ gear, say }: { gear: Gear; say: Say }) {
  const train = useTrain((state) => state.train);
  const told = usePartWords();
  const kinds = { ...KINDS, internal: told(KINDS.internal) };
  const edit = useEdit(say);
  const { figures } = useExplained();
  const { speed } = useTyped();
  const { material, module } = gear;
  const turns = figures.find(({ id }) => id === gear.member)?.speed;
  const tips =
    module !== undefined && turns && speed.value !== null
      ? tipSpeed(gear.teeth, module, (toNumber(turns) * speed.value * speed.si) / (2 * Math.PI))
      : null;
  return (
    <details className="group">
      <summary className="cursor-pointer">
        <span className="muted">Kind and material</span> {kinds[gear.type]}
        {material && `, ${material}`}
      </summary>
      <div className="mt-1.5 flex flex-col gap-1.5">
        <ChoiceField
          label="Kind"
          value={gear.type}
          choices={kinds}
          onChoose={(type) => edit(setGearType(train, gear.id, type))}
        />
        <ChoiceField
          label="Material"
          value={material ?? NO_MATERIAL}
          choices={
            { [NO_MATERIAL]: NO_MATERIAL, ...plainChoices(MATERIALS) } as Record<Material | typeof NO_MATERIAL, string>
          }
          onChoose={(choice) =>
            edit(changeGear(train, gear.id, { material: choice === NO_MATERIAL ? undefined : choice }))
          }
        />
        {material && (
          <TextField
            label={`Tip speed limit, ${material}`}
            unit="m/s"
            numeric
            value={String(train.tipSpeedLimits?.[material] ?? USUAL_TIP_SPEEDS[material])}
            onDone={(text) => edit(setTipSpeedLimit(train, material, figureOrNothing(text, 'm/s')))}
          />
        )}
        {material && (
          <TextField
            label={`Elasticity, ${material}`}
            unit="N/mm²"
            numeric
            value={String(stiffnessOf(train, material).elasticity)}
            onDone={(text) => edit(changeElasticity(train, material, figureOrNothing(text)))}
          />
        )}
        {tips !== null && <p className="muted">Its tips run at {figure(tips)} m/s here.</p>}
      </div>
    </details>
  );
}

/** One place to the left or right in the side view. */
function Place({ gear }: { gear: Gear }) {
  const store = useTrainStore();
  const drawn = useDrawing();
  if (!drawn.ok) return null;
  const move = (by: number) => moveGearBy(store, drawn.view.order, gear.id, by);
  return (
    <span className="flex" role="group" aria-label="Place along the axis">
      <button
        type="button"
        className="btn btn-ghost btn-xs btn-square"
        aria-label="Move left"
        title="Move left (Shift ←)"
        onClick={() => move(-1)}
      >
        <ArrowLeft className="size-4" aria-hidden />
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-xs btn-square"
        aria-label="Move right"
        title="Move right (Shift →)"
        onClick={() => move(1)}
      >
        <ArrowRight className="size-4" aria-hidden />
      </button>
    </span>
  );
}

/** Lets the gear mesh with one that is there already. */
function MeshWith({ gear, say }: { gear: Gear; say: Say }) {
  const train = useTrain((state) => state.train);
  const edit = useEdit(say);
  const mates = new Set(train.meshes.filter(({ gears }) => gears.includes(gear.id)).flatMap(({ gears }) => gears));
  const others = train.gears.filter((other) => other.member !== gear.member && !mates.has(other.id));
  if (others.length === 0) return null;
  return (
    <select
      className="select select-xs w-auto"
      aria-label="Mesh with a gear that is there"
      value=""
      onChange={(event) => edit(addMesh(train, gear.id, event.target.value), { kind: 'gear', id: gear.id })}
    >
      <option value="" disabled>
        + Mesh with…
      </option>
      {others.map((other) => (
        <option key={other.id} value={other.id}>
          {other.teeth} on {memberName(train, other.member)}
        </option>
      ))}
    </select>
  );
}

function MeshFields({ mesh, gear, say }: { mesh: Mesh; gear: Gear; say: Say }) {
  const train = useTrain((state) => state.train);
  const light = useLight();
  const edit = useEdit(say);
  const other = required(train.gears.find(({ id }) => id !== gear.id && mesh.gears.includes(id)));
  const slides = train.couplers.some((coupler) => !('joins' in coupler) && coupler.mesh === mesh.id);
  const [first] = partsById(train).pair(mesh);
  const says = [gear.type, other.type].some((type) => type === 'bevel' || type === 'worm');
  const between = gear.type === 'external' && other.type === 'external';
  const runs = geometryOf(train).mesh(mesh.id)?.running.centreMm;
  const centre = runs === undefined ? 'not given' : `follows: ${figure(runs)}`;
  return (
    <fieldset
      className="flex flex-col gap-1.5 border-t border-base-300 pt-2"
      onPointerEnter={() => light({ gears: [gear.id, other.id] })}
      onPointerLeave={() => light(null)}
    >
      <legend className="sr-only">
        Mesh with {other.teeth} on {memberName(train, other.member)}
      </legend>
      <details>
        <summary className="cursor-pointer">
          <span className="muted">Meshes with</span> {other.teeth} on {memberName(train, other.member)}
        </summary>
        <div className="mt-1.5 flex flex-col gap-1.5">
          {says && (
            <ChoiceField
              label="They turn"
              value={mesh.sense ?? 'opposite'}
              choices={{ opposite: 'opposite ways', same: 'the same way' }}
              onChoose={(sense) => edit(changeMesh(train, mesh.id, { sense }))}
            />
          )}
          <TextField
            label={`Efficiency, ${required(first).teeth} driving`}
            numeric
            value={numeral(mesh.efficiency)}
            onDone={(text) => edit(changeMesh(train, mesh.id, { efficiency: figureOrNothing(text) }))}
          />
          <TextField
            label="Efficiency, the other driving"
            numeric
            value={numeral(mesh.backEfficiency)}
            onDone={(text) => edit(changeMesh(train, mesh.id, { backEfficiency: figureOrNothing(text) }))}
          />
          <TextField
            label="Centre distance"
            unit="mm"
            numeric
            value={numeral(mesh.centre)}
            placeholder={centre}
            onDone={(text) => edit(changeMesh(train, mesh.id, { centre: figureOrNothing(text, 'mm') }))}
          />
          {required(first).type === 'worm' && (
            <label className="flex items-center justify-between gap-2">
              <span className="muted">Self-locking: the worm wheel cannot drive the worm</span>
              <input
                type="checkbox"
                className="checkbox checkbox-xs"
                checked={mesh.selfLocking ?? false}
                onChange={(event) =>
                  edit(changeMesh(train, mesh.id, { selfLocking: event.target.checked || undefined }))
                }
              />
            </label>
          )}
          <RemovePart part={{ kind: 'mesh', id: mesh.id }} label="Remove mesh" say={say} />
        </div>
      </details>
      <div className="flex flex-wrap gap-1.5">
        {between && (
          <Add label="Idler between" onAdd={() => edit(addIdlerBetween(train, mesh.id, START_TEETH.idler))} />
        )}
        {!slides && <Add label="Make it slide" onAdd={() => edit(makeSliding(train, mesh.id), null)} />}
      </div>
    </fieldset>
  );
}

const numeral = (value: number | undefined): string => (value === undefined ? '' : String(value));
