'use client';

import { pitchRadius } from '@/core/geometry';
import {
  changeGear,
  changeTrain,
  GEAR_FIGURES,
  GEAR_SIZES,
  TRAIN_FIGURES,
  type Gear,
  type GearChange,
  type TrainFigure,
  isCylindrical,
} from '@/core/train';
import { figure } from '@/core/units';
import { capitalised } from '@/core/capitalised';
import { useTrain } from '@/features/train/use-train';
import { figureOrNothing, TextField } from '@/ui/text-field';
import { useEdit, type Say } from './use-edit';

/** On the card by themselves, or only on rings or gears. */
const ELSEWHERE: ReadonlySet<string> = new Set(['module', 'faceWidth', 'station']);
const OF_GEARS: ReadonlySet<string> = new Set(['bore', 'square', 'holes']);

/** How a wheel's teeth are cut and how it is held: what a maker needs beyond counts. */
export function WheelFields({ gear, say }: { gear: Gear; say: Say }) {
  const train = useTrain((state) => state.train);
  const edit = useEdit(say);
  if (!isCylindrical(gear)) return null;
  const ring = gear.type === 'internal';
  const change = (some: GearChange) => edit(changeGear(train, gear.id, some));
  const figures = GEAR_FIGURES.filter(({ key }) => !ELSEWHERE.has(key) && (ring ? !OF_GEARS.has(key) : key !== 'rim'));
  const said = [
    ...(gear.shift ? [`shift ${numeral(gear.shift)}`] : []),
    ...(gear.helix ? [`helix ${numeral(gear.helix)}°`] : []),
  ];
  return (
    <details className="group">
      <summary className="cursor-pointer">
        <span className="muted">Cut and held</span> {said.join(', ') || 'standard'}
      </summary>
      <div className="mt-1.5 flex flex-col gap-1.5">
        {figures.map(({ key, word, ...more }) => (
          <TextField
            key={key}
            label={capitalised('says' in more ? more.says : word)}
            unit={'unit' in more ? more.unit : undefined}
            numeric
            value={numeral(gear[key])}
            onDone={(text) =>
              change({ [key]: figureOrNothing(text, 'unit' in more && more.unit === 'mm' ? 'mm' : '') })
            }
          />
        ))}
        {gear.helix ? <AcrossTheAxis gear={gear} onChange={change} /> : null}
        <label className="flex items-center justify-between gap-2">
          <span className="muted">Herringbone</span>
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={gear.herringbone ?? false}
            onChange={(event) => change({ herringbone: event.target.checked || undefined })}
          />
        </label>
        {!ring && GEAR_SIZES.map((of) => <SizeFields key={of.key} of={of} gear={gear} say={say} />)}
        <AllWheels say={say} />
      </div>
    </details>
  );
}

/** The module is across the tooth; drawings of printed wheels often give it across the axis. */
function AcrossTheAxis({ gear, onChange }: { gear: Gear; onChange: (some: GearChange) => void }) {
  const cosine = gear.teeth / (2 * pitchRadius(gear, 1));
  return (
    <TextField
      label="Module across the axis"
      unit="mm"
      numeric
      value={gear.module === undefined ? '' : figure(gear.module / cosine)}
      onDone={(text) => {
        const across = figureOrNothing(text, 'mm');
        onChange({ module: across === undefined ? undefined : Number((across * cosine).toFixed(6)) });
      }}
    />
  );
}

/** Two sizes that come together: while one is missing nothing is kept of them, and that is said. */
function SizeFields({ of, gear, say }: { of: (typeof GEAR_SIZES)[number]; gear: Gear; say: Say }) {
  const train = useTrain((state) => state.train);
  const edit = useEdit(say);
  const sizes = gear[of.key] as Readonly<Record<string, number>> | undefined;
  return (
    <TextField
      label={`${capitalised(of.key)}, ${of.first} × ${of.second}`}
      unit="mm"
      value={sizes ? `${sizes[of.first]} × ${sizes[of.second]}` : ''}
      onDone={(text) => {
        if (text.trim() === '') return edit(changeGear(train, gear.id, { [of.key]: undefined }));
        const [first, second, ...more] = text.split(/[x×*]|\bby\b/i).map((one) => figureOrNothing(one, 'mm'));
        if (first === undefined || second === undefined || more.length > 0)
          return say(`Type two sizes with × between them: ${of.first} × ${of.second}, in mm.`);
        edit(changeGear(train, gear.id, { [of.key]: { [of.first]: first, [of.second]: second } }));
      }}
    />
  );
}

/** The rack that cuts all wheels of the train, and what is left between them. */
function AllWheels({ say }: { say: Say }) {
  const train = useTrain((state) => state.train);
  const edit = useEdit(say);
  return (
    <fieldset className="flex flex-col gap-1.5 border-t border-base-300 pt-2">
      <legend className="muted text-xs">Of all wheels of this train</legend>
      {TRAIN_FIGURES.map(({ key, word, ...more }) => (
        <TextField
          key={key}
          label={capitalised(word)}
          unit={'unit' in more ? more.unit : '× m'}
          numeric
          value={numeral(train[key])}
          placeholder={USUAL[key]}
          onDone={(text) =>
            edit(changeTrain(train, { [key]: figureOrNothing(text, 'unit' in more && more.unit === 'mm' ? 'mm' : '') }))
          }
        />
      ))}
    </fieldset>
  );
}

/** What holds where nothing is typed. */
const USUAL: Readonly<Record<TrainFigure, string>> = {
  pressureAngle: '20',
  addendum: '1',
  dedendum: '1.25',
  rootRadius: '0.38',
  backlash: '0',
  stationLength: 'not given',
};

const numeral = (value: number | undefined): string => (value === undefined ? '' : String(value));
