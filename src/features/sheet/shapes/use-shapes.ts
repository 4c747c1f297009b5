import { useMemo } from 'react';
import type { PartRow } from '@/core/parts';
import type { Result } from '@/core/result';
import type { ShapedGear } from '@/core/shapes';
import { useSettled } from '@/ui/settled';
import { usePartsList } from '../parts/use-parts';
import { useSheet } from '../use-sheet';
import { shapeOf } from './form';

/** Wheels that can be drawn: with teeth all round, outside or inside. */
export function useWheels(): readonly PartRow[] {
  const { list } = usePartsList();
  return useMemo(() => list.parts.filter(({ type }) => type === 'external' || type === 'internal'), [list]);
}

/** The wheel that is chosen, with its lines or what is wrong with it. Null where there is none to choose. */
export function useChosenWheel(): { readonly part: PartRow; readonly read: Result<ShapedGear> } | null {
  const wheels = useWheels();
  const gear = useSheet((state) => state.gear);
  const form = useSettled(useSheet((state) => state.shape));
  const part = wheels.find((one) => one.gear === gear) ?? wheels[0] ?? null;
  const read = useMemo(() => part && shapeOf(part, form), [part, form]);
  return part && read ? { part, read } : null;
}
