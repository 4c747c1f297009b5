'use client';

import { useEffect } from 'react';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { ForceUnit, RatioConvention, SpeedUnit, TorqueUnit } from '@/core/units';
import { OWN_WORDS, type PartWords } from '@/core/words';
import type { SetSchool } from '@/core/working';

/** What the keys of the positions show under their names. */
export type KeyFigure = 'ratio' | 'speed' | 'torque';

interface Choices {
  readonly convention: RatioConvention;
  readonly speedUnit: SpeedUnit;
  /** A unit of torque, or of force on the arm. */
  readonly torqueUnit: TorqueUnit | ForceUnit;
  /** Length (mm) of the arm on which torques are read as forces. */
  readonly armMm: number;
  readonly keyFigure: KeyFigure;
  readonly setSchool: SetSchool;
  /** Whether what meshes lose counts. */
  readonly losses: boolean;
  /** Whether the other counts of a planetary set follow a typed one, so that they go on to fit. */
  readonly keepSets: boolean;
  /** Whether forces are drawn into the side view. */
  readonly forces: boolean;
  /** Whether the Bench shows the train as a body. */
  readonly body: boolean;
  /** Columns of tables that a person shows or folds away, by the table's kind and the column's head. */
  readonly columns: Readonly<Record<string, Readonly<Record<string, boolean>>>>;
  /** What parts are called. */
  readonly words: PartWords;
}

/** How a person likes figures shown; kept in the browser. */
interface Preferences extends Choices {
  readonly set: (change: Partial<Choices>) => void;
}

const FIRST: Choices = {
  convention: 'in/out',
  speedUnit: 'rpm',
  torqueUnit: 'N·m',
  armMm: 250,
  keyFigure: 'ratio',
  setSchool: 'formula',
  losses: false,
  keepSets: false,
  forces: false,
  body: false,
  columns: {},
  words: OWN_WORDS,
};

const NAME = 'tin-wheel-preferences';

export const usePreferences = create<Preferences>()(
  persist((set) => ({ ...FIRST, set }), { name: NAME, skipHydration: true }),
);

/** What this browser keeps of them, also before the page has read it; nothing where it keeps none. */
export function keptPreferences(): Partial<Choices> {
  try {
    const kept = JSON.parse(localStorage.getItem(NAME) ?? '{}') as { readonly state?: Partial<Choices> };
    return kept.state ?? {};
  } catch {
    return {};
  }
}

/** Reads the kept preferences once the page is live, so that server and first client render agree. */
export function useKeptPreferences(): void {
  useEffect(() => void usePreferences.persist.rehydrate(), []);
}
