import { Box, FileArchive, PencilRuler, Spline } from 'lucide-react';
import { useState } from 'react';
import { wheelDxf, wheelSvg, type ShapedGear } from '@/core/shapes';
import { useTrain } from '@/features/train/use-train';
import type { PartRow } from '@/core/parts';
import { type Result } from '@/core/result';
import { messageAt, type FieldTable } from '@/ui/form/fields';
import { FormFields } from '@/ui/form/form-fields';
import { Group, Pick, Tick } from '@/ui/form/inputs';
import { fileName, saveFile } from '@/ui/save-file';
import type { Runner } from '@/workers/beside';
import { useJobState } from '@/workers/use-job';
import { useSheet, useSheetItself } from '../use-sheet';
import {
  BORE,
  HOLES,
  HUB,
  KEYWAY,
  RIM,
  SQUARE,
  TEETH,
  USUAL_BACKLASH_MM,
  USUAL_MODULE_MM,
  USUAL_WIDTH_MM,
  type ShapeForm,
} from './form';
import { useChangeShape, useChosenWheel, useWheels } from './use-shapes';
import { wholeSet } from './whole-set';

/** Which wheel, its measures, and how it leaves. */
export function ShapeSetup() {
  const wheels = useWheels();
  const chosen = useChosenWheel();
  const set = useSheet((state) => state.set);
  const change = useChangeShape(chosen?.part.gear ?? null);
  if (!chosen) return <p className="muted px-4 py-2 text-sm">This train has no gears with teeth round them.</p>;
  const { part, form, read } = chosen;
  const ring = part.type === 'internal';
  const usual: Partial<Record<keyof ShapeForm, number>> = {
    moduleMm: part.moduleMm ?? USUAL_MODULE_MM,
    widthMm: part.faceWidthMm ?? USUAL_WIDTH_MM,
    backlashMm: USUAL_BACKLASH_MM,
  };
  const wrong = (place: string) => messageAt(read, place);
  /** @param place where the schema has these fields, before their own names */
  const fields = <K extends Exclude<keyof ShapeForm, 'herringbone'>>(table: FieldTable<K>, place = '') => (
    <FormFields
      fields={table.map((field) => ({ ...field, placeholder: String(usual[field.key] ?? '') }))}
      form={form}
      unitWidth="w-7"
      wrong={(path) => wrong(`${place}${path}`)}
      onChange={change}
    />
  );
  return (
    <>
      <Group name="Wheel">
        <Pick
          label="Which"
          value={part.gear}
          choices={Object.fromEntries(wheels.map((wheel) => [wheel.gear, wheel.name]))}
          onChange={(gear) => set({ gear })}
        />
        {fields(TEETH)}
        <Tick
          label="Herringbone"
          title="Left over right hand: it centres itself"
          checked={form.herringbone}
          onChange={(herringbone) => change({ herringbone })}
        />
        {wrong('herringbone') && (
          <p role="alert" className="text-error">
            {wrong('herringbone')}
          </p>
        )}
        {part.moduleMm === null && form.moduleMm === '' && (
          <p className="muted">The train gives no module for it: {USUAL_MODULE_MM} mm is taken.</p>
        )}
      </Group>
      <Group name={ring ? 'Held outside' : 'On its shaft'}>
        {ring ? (
          fields(RIM)
        ) : (
          <>
            {fields(BORE)}
            {fields(KEYWAY, 'keyway.')}
            {fields(SQUARE)}
            {fields(HUB, 'hub.')}
            {fields(HOLES)}
          </>
        )}
      </Group>
      <SaveWheel part={part} read={read} />
    </>
  );
}

/** The wheel as files, or every wheel of the train as one. */
function SaveWheel({ part, read }: { part: PartRow; read: Result<ShapedGear> }) {
  const { solid, shapes } = useSheetItself();
  const train = useTrain((state) => state.train);
  const wheels = useWheels();
  const [told, setTold] = useState<{ readonly text: string; readonly bad: boolean } | null>(null);
  const name = (ending: string) => fileName(`${train.name} ${part.name}`, ending);
  const saveStl = async () => {
    if (!read.ok) return;
    setTold({ text: 'Making the solid …', bad: false });
    const state = await solid.begin({ spec: read.value.spec, title: part.name });
    if (state?.kind === 'failed') setTold({ text: state.message, bad: true });
    if (state?.kind !== 'done') return;
    saveFile(name('.stl'), 'model/stl', new Blob([new Uint8Array(state.value)]));
    setTold({ text: `${name('.stl')} is saved.`, bad: false });
  };
  const saveAll = async () => {
    const { asked, pieces, left } = wholeSet(train, wheels);
    setTold(null);
    const state = await shapes.begin({ name: train.name, wheels: asked, pieces });
    if (state?.kind === 'failed') setTold({ text: state.message, bad: true });
    if (state?.kind !== 'done') return;
    saveFile(fileName(train.name, '.shapes.zip'), 'application/zip', new Blob([new Uint8Array(state.value)]));
    setTold({
      text: `${asked.length} wheels are saved.${left.length > 0 ? ` Left out: ${left.join('; ')}` : ''}`,
      bad: left.length > 0,
    });
  };
  return (
    <Group name="Save it">
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn btn-xs"
          disabled={!read.ok}
          onClick={() => read.ok && saveFile(name('.svg'), 'image/svg+xml', wheelSvg(read.value, part.name))}
        >
          <Spline className="size-3.5" aria-hidden /> SVG
        </button>
        <button
          type="button"
          className="btn btn-xs"
          disabled={!read.ok}
          onClick={() => read.ok && saveFile(name('.dxf'), 'image/vnd.dxf', wheelDxf(read.value))}
        >
          <PencilRuler className="size-3.5" aria-hidden /> DXF
        </button>
        <button type="button" className="btn btn-xs" disabled={!read.ok} onClick={() => void saveStl()}>
          <Box className="size-3.5" aria-hidden /> STL
        </button>
      </div>
      <button
        type="button"
        className="btn btn-xs self-start"
        title="SVG, DXF and STL of every wheel, with a manifest"
        onClick={() => void saveAll()}
      >
        <FileArchive className="size-3.5" aria-hidden /> All {wheels.length} wheels as a zip
      </button>
      <ShapesProgress of={shapes} />
      {told && (
        <p role={told.bad ? 'alert' : 'status'} className={told.bad ? 'text-error' : ''}>
          {told.text}
        </p>
      )}
    </Group>
  );
}

/** How many wheels are made, while they are, with a way to stop. */
function ShapesProgress({ of }: { of: Runner<'shapes'> }) {
  const state = useJobState(of);
  if (state.kind !== 'running' || state.input === null) return null;
  return (
    <p role="status" className="flex items-center gap-2">
      {state.partial ?? 0} of {state.input.wheels.length} …
      <button type="button" className="btn btn-xs" onClick={() => of.stop()}>
        Stop
      </button>
    </p>
  );
}
