'use client';

import { drawSideView, type Drawn } from '@/core/drawing';
import { networkOf, openTrain, type OpenTrain } from '@/core/kinematics';
import { memberFigures, meshRoles, type MemberFigures, type MeshRole } from '@/core/powerflow';
import { solveEngaged, type Solved } from '@/core/solve';
import type { Train } from '@/core/train';
import { workingOf, type Working } from '@/core/working';
import { useBench } from './store';

/** Everything computed from a document, each thing once: derived, never stored. */
interface Analysed {
  readonly open: OpenTrain;
  readonly drawn: Drawn;
  readonly positions: Map<string | null, Position>;
}

/** One position, solved and explained. */
export interface Position {
  readonly solved: Solved;
  readonly figures: readonly MemberFigures[];
  readonly roles: ReadonlyMap<string, MeshRole>;
  readonly working: Working;
}

const SPACE = { width: 880, height: 430 };
const analysed = new WeakMap<Train, Analysed>();

function analyse(train: Train): Analysed {
  const found = analysed.get(train);
  if (found) return found;
  const fresh: Analysed = { open: openTrain(networkOf(train)), drawn: drawSideView(train, SPACE), positions: new Map() };
  analysed.set(train, fresh);
  return fresh;
}

export function analysePosition(train: Train, id: string | null): Position {
  const { open, positions } = analyse(train);
  const found = positions.get(id);
  if (found) return found;
  const solved = solveEngaged(open, train.positions.find((position) => position.id === id)?.engaged ?? []);
  const fresh: Position = { solved, figures: memberFigures(solved), roles: meshRoles(solved), working: workingOf(solved) };
  positions.set(id, fresh);
  return fresh;
}

export const useDrawing = (): Drawn => useBench((state) => analyse(state.train).drawn);

/** The position that is chosen. */
export const usePosition = (): Position => useBench((state) => analysePosition(state.train, state.positionId));
