'use client';

import { ChevronDown } from 'lucide-react';
import {
  FORCE_UNITS,
  isForce,
  SPEED_UNITS,
  TORQUE_UNITS,
  type ForceUnit,
  type RatioConvention,
  type SpeedUnit,
  type TorqueUnit,
} from '@/core/units';
import { DropDown } from '@/ui/drop-down';
import { usePreferences } from '@/ui/preferences';
import { WORD_CHOICES, type PartWords } from '@/core/words';

/**
 * How figures are written, on every screen: which way round a ratio is, and the units of speed and torque; opened from
 * the bar.
 */
export function FigureChoices() {
  const { convention, speedUnit, torqueUnit } = usePreferences();
  return (
    <DropDown
      className="flex items-center gap-1 px-1 text-sm whitespace-nowrap hover:bg-base-200"
      title="How ratios are written, and the units of speed and torque"
      word={
        <>
          <span className="sr-only">Figures: </span>
          {convention}
          <span className="hidden xl:inline">
            · {speedUnit} · {torqueUnit}
          </span>
          <ChevronDown className="size-3.5" aria-hidden />
        </>
      }
    >
      <RatioConventions />
      <RatioMeaning />
      <UnitChoices />
      <WordChoices />
    </DropDown>
  );
}

function RatioConventions() {
  const { convention, set } = usePreferences();
  return (
    <fieldset className="flex items-center gap-1.5 text-sm">
      <legend className="sr-only">Ratio convention</legend>
      <span className="muted">Ratio</span>
      <div className="join">
        {(['in/out', 'out/in'] satisfies RatioConvention[]).map((choice) => (
          <input
            key={choice}
            type="radio"
            name="convention"
            className="btn join-item btn-xs checked:!bg-neutral checked:!text-neutral-content"
            aria-label={choice}
            checked={convention === choice}
            onChange={() => set({ convention: choice })}
          />
        ))}
      </div>
    </fieldset>
  );
}

const MEANINGS: Record<RatioConvention, string> = {
  'in/out': 'Turns of the input for one of the output: driven over driver, and as ideal torque grows.',
  'out/in': 'Turns of the output for one of the input: driver over driven, and as speed grows.',
};

function RatioMeaning() {
  return <p className="muted max-w-64 text-sm">{MEANINGS[usePreferences((state) => state.convention)]}</p>;
}

/** What parts are called, on every screen: each school of the trade has its own words. */
function WordChoices() {
  const { words, set } = usePreferences();
  const choice = <K extends keyof PartWords>(key: K, label: string) => (
    <select
      className="select select-xs w-28"
      aria-label={label}
      value={words[key]}
      onChange={({ target }) => set({ words: { ...words, [key]: target.value } })}
    >
      {WORD_CHOICES[key].map((word) => (
        <option key={word}>{word}</option>
      ))}
    </select>
  );
  return (
    <div className="flex items-center gap-1.5 text-sm">
      <span className="muted">Words</span>
      {choice('countershaft', 'Word for a countershaft')}
      {choice('ring', 'Word for a ring')}
      {choice('oneWay', 'Word for a one-way clutch')}
    </div>
  );
}

function UnitChoices() {
  const { torqueUnit, speedUnit, armMm, set } = usePreferences();
  return (
    <div className="flex items-center gap-1.5">
      <select
        className="select select-xs w-24"
        aria-label="Unit of speed"
        value={speedUnit}
        onChange={(event) => set({ speedUnit: event.target.value as SpeedUnit })}
      >
        {Object.keys(SPEED_UNITS).map((unit) => (
          <option key={unit}>{unit}</option>
        ))}
      </select>
      <select
        className="select select-xs w-24"
        aria-label="Unit of torque"
        value={torqueUnit}
        onChange={(event) => set({ torqueUnit: event.target.value as TorqueUnit | ForceUnit })}
      >
        {Object.keys(TORQUE_UNITS).map((unit) => (
          <option key={unit}>{unit}</option>
        ))}
        <optgroup label="force on an arm">
          {Object.keys(FORCE_UNITS).map((unit) => (
            <option key={unit}>{unit}</option>
          ))}
        </optgroup>
      </select>
      {isForce(torqueUnit) && (
        <label className="flex items-center gap-1 text-sm">
          <span className="muted">on an arm of</span>
          <input
            type="number"
            className="input input-xs figure w-18"
            aria-label="Length of the arm, mm"
            min={1}
            max={100000}
            defaultValue={armMm}
            onChange={(event) =>
              event.target.validity.valid && event.target.value !== '' && set({ armMm: Number(event.target.value) })
            }
          />
          <span className="muted">mm</span>
        </label>
      )}
    </div>
  );
}
