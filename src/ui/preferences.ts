'use client';

import { useEffect } from 'react';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { RatioConvention, SpeedUnit, TorqueUnit } from '@/core/units';

/** How a person likes figures shown; kept in the browser. */
interface Preferences {
  readonly convention: RatioConvention;
  readonly speedUnit: SpeedUnit;
  readonly torqueUnit: TorqueUnit;
  readonly set: (change: Partial<Pick<Preferences, 'convention' | 'speedUnit' | 'torqueUnit'>>) => void;
}

export const usePreferences = create<Preferences>()(
  persist((set) => ({ convention: 'in/out', speedUnit: 'rpm', torqueUnit: 'N·m', set }), { name: 'tin-wheel-preferences', skipHydration: true }),
);

/** Reads the kept preferences once the page is live, so that server and first client render agree. */
export function useKeptPreferences(): void {
  useEffect(() => void usePreferences.persist.rehydrate(), []);
}
