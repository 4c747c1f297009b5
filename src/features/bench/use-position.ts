'use client';

import type { Drawn } from '@/core/drawing';
import type { Station } from '@/core/end-view';
import { positionOf, type Explained } from './analysis';
import { sideViewToShow, stationsOf } from './side-views';
import { useBench } from './store';

export const useDrawing = (): Drawn => useBench(({ train, shown }) => sideViewToShow(train, shown));

export const useStations = (): readonly Station[] => useBench((state) => stationsOf(state.train));

/** What is engaged now, solved and explained. */
export const usePosition = (): Explained => useBench(positionOf);
