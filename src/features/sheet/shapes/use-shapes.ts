import { useMemo } from 'react';
import type { PartRow } from '@/core/parts';
import type { Result } from '@/core/result';
import type { ShapedGear } from '@/core/shapes';
import { isCylindrical, partsById, type Train } from '@/core/train';
import { editTrain } from '@/features/train/edit';
import { useTrain, useTrainStore } from '@/features/train/use-train';
import { useSettled } from '@/ui/settled';
import { usePartsList } from '../parts/use-parts';
import { useSheet, useSheetItself } from '../use-sheet';
import { shapeOf, type ShapeForm } from './form';
import { cutBy, keepShape, shapeFormOf, type Unkept } from './kept-shape';

/** Wheels that can be drawn: with teeth all round, outside or inside. */
export function useWheels(): readonly PartRow[] {
  const { list } = usePartsList();
  return useMemo(() => list.parts.filter(isCylindrical), [list]);
}

/** The wheel that is chosen, its measures as they are typed, and its lines or what is wrong with it. */
export interface ChosenWheel {
  readonly part: PartRow;
  readonly form: ShapeForm;
  readonly read: Result<ShapedGear>;
}

/** Null where there is none to choose. */
export function useChosenWheel(): ChosenWheel | null {
  const train = useTrain((state) => state.train);
  const wheels = useWheels();
  const gear = useSheet((state) => state.gear);
  const part = wheels.find((one) => one.gear === gear) ?? wheels[0] ?? null;
  const typed = useSheet((state) => (part ? state.unkept[part.gear] : undefined));
  const form = useMemo(() => part && formWith(train, part.gear, typed), [train, part, typed]);
  const settled = useSettled(form);
  const read = useMemo(
    () => part && settled && shapeOf(part, settled, cutBy(train, part.gear)),
    [train, part, settled],
  );
  return part && form && read ? { part, form, read } : null;
}

const formWith = (train: Train, gear: string, typed: Unkept = {}): ShapeForm => ({
  ...shapeFormOf(train, partsById(train).gear(gear)),
  ...typed,
});

/** Takes what is typed at a wheel into the document; what is no figure yet stays beside it. */
export function useChangeShape(gear: string | null): (change: Unkept) => void {
  const store = useTrainStore();
  const { store: sheet } = useSheetItself();
  return (change) => {
    if (gear === null) return;
    const { train } = store.getState();
    const { unkept, set } = sheet.getState();
    const kept = keepShape(train, partsById(train).gear(gear), { ...unkept[gear], ...change });
    set({ unkept: { ...unkept, [gear]: kept.unkept } });
    if (kept.train !== train) editTrain(store, kept.train, { merge: `shape ${gear}` });
  };
}
