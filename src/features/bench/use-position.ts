'use client';

import type { Drawn } from '@/core/drawing';
import type { Station } from '@/core/end-view';
import { analyse, positionOf, type Position } from './analysis';
import { useBench } from './store';

export const useDrawing = (): Drawn => useBench((state) => analyse(state.train).drawn);

export const useStations = (): readonly Station[] => useBench((state) => analyse(state.train).stations);

/** What is engaged now, solved and explained. */
export const usePosition = (): Position => useBench(positionOf);
