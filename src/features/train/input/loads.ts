'use client';

import { useMemo } from 'react';
import { fromDecimal } from '@/core/rational';
import type { Loads } from '../analysis';
import { useTrain } from '../use-train';
import { usePreferences } from '@/ui/preferences';
import { readTorque, useTyped, type TypedInput } from './typed-input';

/** The load typed for one output. */
export interface TypedLoad {
  readonly output: string;
  readonly text: string;
  readonly message: string | null;
}

/** What is typed as loads, output by output; an empty field is an output without a load. */
export function useTypedLoads(): readonly TypedLoad[] {
  const outputs = useTrain((state) => state.train.outputs);
  const texts = useTrain((state) => state.loadTexts);
  const { torqueUnit, armMm } = usePreferences();
  return useMemo(
    () =>
      outputs.map((output) => {
        const text = texts[output] ?? '';
        const message = text.trim() === '' ? null : readTorque(text, torqueUnit, armMm, 'the load', 'any').message;
        return { output, text, message };
      }),
    [outputs, texts, torqueUnit, armMm],
  );
}

/**
 * The loads in force, N·m by output; null while torque is given at the input, power is not put in there, or no load
 * can be read.
 */
export function useLoads(): Loads | null {
  const given = useTrain((state) => state.given);
  const flow = useTrain((state) => state.flow);
  const { torqueUnit, armMm } = usePreferences();
  const typed = useTypedLoads();
  return useMemo(() => {
    if (given !== 'loads' || flow !== 'drive') return null;
    const loads = typed.flatMap(({ output, text }) => {
      const { value, si } = readTorque(text, torqueUnit, armMm, 'the load', 'any');
      return text.trim() === '' || value === null ? [] : [[output, fromDecimal(value * si)] as const];
    });
    return loads.length > 0 ? new Map(loads) : null;
  }, [given, flow, typed, torqueUnit, armMm]);
}

/**
 * What figures of the position in force are told in: per unit of torque put in, as typed; or, where loads are given,
 * in N·m as they are.
 */
export function useScale(): TypedInput {
  const typed = useTyped();
  const loads = useLoads();
  return useMemo(
    () => (loads ? { ...typed, torque: { ...typed.torque, value: 1 / typed.torque.si, message: null } } : typed),
    [typed, loads],
  );
}
