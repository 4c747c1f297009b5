import { Box, FileArchive, PencilRuler, Spline } from 'lucide-react';
import { useState } from 'react';
import { wheelDxf, wheelSvg, type WheelSpec } from '@/core/shapes';
import { useTrain } from '@/features/train/use-train';
import { TextInput, Group, Pick, Tick } from '@/ui/form-fields';
import { fileName, saveFile } from '@/ui/save-file';
import type { Runner } from '@/workers/beside';
import { useJobState } from '@/workers/use-job';
import { useSheet, useSheetItself } from '../use-sheet';
import { USUAL_MODULE_MM, USUAL_WIDTH_MM, type ShapeForm } from './form';
import { useChosenWheel, useWheels } from './use-shapes';
import { wholeSet } from './whole-set';

type TextKey = { [K in keyof ShapeForm]: ShapeForm[K] extends string ? K : never }[keyof ShapeForm];

interface FieldSpec {
  readonly key: TextKey;
  readonly label: string;
  readonly unit: string;
  /** The measure of the wheel that it belongs to, where messages come from. */
  readonly of: keyof WheelSpec;
  readonly title?: string;
}

const TEETH: readonly FieldSpec[] = [
  { key: 'moduleMm', label: 'Module', unit: 'mm', of: 'moduleMm', title: 'Nothing typed: what the train says' },
  { key: 'widthMm', label: 'Width', unit: 'mm', of: 'widthMm', title: 'Nothing typed: the face width on its card' },
  { key: 'shift', label: 'Profile shift', unit: '× m', of: 'shift' },
  {
    key: 'backlashMm',
    label: 'Backlash of the pair',
    unit: 'mm',
    of: 'backlashMm',
    title: 'Along the pitch circle; half of it is taken off each wheel',
  },
  {
    key: 'helixDegrees',
    label: 'Helix angle',
    unit: '°',
    of: 'helixDegrees',
    title: 'Right-handed above 0. Its mate needs the other hand',
  },
];
const GEAR: readonly FieldSpec[] = [
  { key: 'boreMm', label: 'Bore', unit: 'mm', of: 'boreMm' },
  { key: 'keyWidthMm', label: 'Keyway, width', unit: 'mm', of: 'keyway' },
  { key: 'keyDeepMm', label: 'Keyway, depth', unit: 'mm', of: 'keyway', title: 'Beyond the bore' },
  { key: 'squareMm', label: 'Square hole', unit: 'mm', of: 'squareMm', title: 'Across flats, instead of a bore' },
  { key: 'hubOutsideMm', label: 'Hub, outside', unit: 'mm', of: 'hub' },
  { key: 'hubLongMm', label: 'Hub, length', unit: 'mm', of: 'hub', title: 'Beyond the teeth' },
  { key: 'lighteningHoles', label: 'Lightening holes', unit: '×', of: 'lighteningHoles' },
];
const RING: readonly FieldSpec[] = [
  {
    key: 'rimMm',
    label: 'Rim',
    unit: 'mm',
    of: 'rimMm',
    title: 'Outside the roots; three modules where nothing is typed',
  },
];

/** Which wheel, its measures, and how it leaves. */
export function ShapeSetup() {
  const { solid, shapes } = useSheetItself();
  const train = useTrain((state) => state.train);
  const wheels = useWheels();
  const chosen = useChosenWheel();
  const form = useSheet((state) => state.shape);
  const set = useSheet((state) => state.set);
  const [told, setTold] = useState<{ readonly text: string; readonly bad: boolean } | null>(null);
  if (!chosen) return <p className="muted px-4 py-2 text-sm">This train has no gears with teeth round them.</p>;
  const { part, read } = chosen;
  const change = (key: keyof ShapeForm, value: string | boolean) => set({ shape: { ...form, [key]: value } });
  const field = ({ key, label, unit, of, title }: FieldSpec) => (
    <TextInput
      key={key}
      label={label}
      unit={unit}
      unitWidth="w-7"
      title={title}
      value={form[key]}
      placeholder={
        key === 'moduleMm'
          ? String(part.moduleMm ?? USUAL_MODULE_MM)
          : key === 'widthMm'
            ? String(part.faceWidthMm ?? USUAL_WIDTH_MM)
            : ''
      }
      message={!read.ok && read.field === of && (form[key] !== '' || of !== 'keyway') ? read.message : null}
      onChange={(text) => change(key, text)}
    />
  );
  const name = (ending: string) => fileName(`${train.name} ${part.name}`, ending);
  const saveStl = async () => {
    if (!read.ok) return;
    setTold({ text: 'Making the solid …', bad: false });
    const state = await solid.begin({ spec: read.wheel.spec, title: part.name });
    if (state?.kind === 'failed') setTold({ text: state.message, bad: true });
    if (state?.kind !== 'done') return;
    saveFile(name('.stl'), 'model/stl', new Blob([new Uint8Array(state.value)]));
    setTold({ text: `${name('.stl')} is saved.`, bad: false });
  };
  const saveAll = async () => {
    const { asked, pieces, left } = wholeSet(train, wheels, form);
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
    <>
      <Group name="Wheel">
        <Pick
          label="Which"
          value={part.gear}
          choices={Object.fromEntries(wheels.map((wheel) => [wheel.gear, wheel.name]))}
          onChange={(gear) => set({ gear })}
        />
        {TEETH.map(field)}
        <Tick
          label="Herringbone"
          title="Left over right hand: it centres itself"
          checked={form.herringbone}
          onChange={(on) => change('herringbone', on)}
        />
        {!read.ok && read.field === 'herringbone' && (
          <p role="alert" className="text-error">
            {read.message}
          </p>
        )}
        {part.moduleMm === null && form.moduleMm === '' && (
          <p className="muted">The train gives no module for it: {USUAL_MODULE_MM} mm is taken.</p>
        )}
      </Group>
      <Group name={part.type === 'internal' ? 'Held outside' : 'On its shaft'}>
        {(part.type === 'internal' ? RING : GEAR).map(field)}
      </Group>
      <Group name="Save it">
        <div className="flex flex-wrap gap-2">
          <button
            type="button"
            className="btn btn-xs"
            disabled={!read.ok}
            onClick={() => read.ok && saveFile(name('.svg'), 'image/svg+xml', wheelSvg(read.wheel, part.name))}
          >
            <Spline className="size-3.5" aria-hidden /> SVG
          </button>
          <button
            type="button"
            className="btn btn-xs"
            disabled={!read.ok}
            onClick={() => read.ok && saveFile(name('.dxf'), 'image/vnd.dxf', wheelDxf(read.wheel))}
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
    </>
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
