'use client';

import { messageAt } from '@/ui/form/fields';
import { createContext, useContext, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { useShallow } from 'zustand/react/shallow';
import { readWrittenScenario } from '@/core/shifting';
import type { Train } from '@/core/train';
import { figure, isForce, SPEED_UNITS, torqueTable } from '@/core/units';
import { ownOf } from '@/features/train/session';
import { useSession, useTrain } from '@/features/train/use-train';
import { usePreferences } from '@/ui/preferences';
import { writtenScenario, type ShiftingForm } from './form';
import { setupOf, possibleOrder, type Setup } from './setup';
import { createShifting, type ShiftingItself, type ShiftingState } from './store';
import { accept, refuse, type Result } from '@/core/result';

export const useShiftingItself = (): ShiftingItself => ownOf(useSession(), createShifting);

export const useShifting = <T>(select: (state: ShiftingState) => T): T => useStore(useShiftingItself().store, select);

export const useShiftingForm = () => useShifting((state) => state.form);

/** Some of what is typed: what else is typed does not draw it anew. */
export function useTypedFields<K extends keyof ShiftingForm>(...keys: readonly K[]): Pick<ShiftingForm, K> {
  const select = ({ form }: ShiftingState) =>
    Object.fromEntries(keys.map((key) => [key, form[key]])) as Pick<ShiftingForm, K>;
  return useStore(useShiftingItself().store, useShallow(select));
}
export const useFill = () => useShifting((state) => state.fill);

/** What the screen's parts have in common: what is typed, read once, and the last that read. */
export interface ReadForm {
  readonly read: Result<Setup>;
  /** What is drawn stays while something else is typed; null until something reads. */
  readonly setup: Setup | null;
}

export const ReadingContext = createContext<ReadForm | null>(null);

/** Reads what is typed: a scenario with what follows from it, or what is wrong with it and where. */
export function useReadForm(): ReadForm {
  const train = useTrain((state) => state.train);
  const form = useShiftingForm();
  const read = useMemo(() => readForm(train, form), [train, form]);
  const [last, setLast] = useState<Setup | null>(null);
  const setup = read.ok ? read.value : last?.train === train ? last : null;
  if (setup !== last) setLast(setup);
  return { read, setup };
}

function readForm(train: Train, form: ShiftingForm): Result<Setup> {
  const written = writtenScenario(form);
  if (written.order.length === 0)
    return refuse(
      possibleOrder(train).length > 0
        ? 'tick the positions that are used.'
        : 'this train has no position that drives. Give it positions on the Bench or the Chart.',
      ['order'],
    );
  const read = readWrittenScenario(written, train);
  if (!read.ok) return read;
  try {
    return accept(setupOf(train, form, read.value));
  } catch (error) {
    if (error instanceof RangeError) return refuse(error.message, ['order']);
    throw error;
  }
}

function useReading(): ReadForm {
  const reading = useContext(ReadingContext);
  if (!reading) throw new Error('The Shifting screen is not open.');
  return reading;
}

export const useRead = (): Result<Setup> => useReading().read;
export const useSetup = (): Setup | null => useReading().setup;

/** What is wrong at a place of the scenario, as a sentence; null where nothing is. */
export function useWrong(): (...places: readonly string[]) => string | null {
  const read = useRead();
  return (...places) => messageAt(read, ...places);
}

/** Speeds and torques in the units that people have chosen. */
export interface Units {
  readonly speedUnit: string;
  readonly torqueUnit: string;
  /** One rpm, one N·m, in these units. */
  readonly perRpm: number;
  readonly perNm: number;
  readonly speed: (rpm: number) => string;
  readonly torque: (nm: number) => string;
}

export function useUnits(): Units {
  const { speedUnit, torqueUnit, armMm } = usePreferences();
  return useMemo(() => {
    const perRpm = SPEED_UNITS.rpm / SPEED_UNITS[speedUnit];
    const perNm = 1 / torqueTable(armMm / 1000)[torqueUnit];
    return {
      speedUnit,
      torqueUnit: isForce(torqueUnit) ? `${torqueUnit} at ${armMm} mm` : torqueUnit,
      perRpm,
      perNm,
      speed: (rpm) => `${figure(rpm * perRpm)} ${speedUnit}`,
      torque: (nm) => `${figure(nm * perNm)} ${torqueUnit}`,
    };
  }, [speedUnit, torqueUnit, armMm]);
}

/** A position's name. */
export function useNameOf(): (id: string) => string {
  const positions = useTrain((state) => state.train.positions);
  return useMemo(() => {
    const names = new Map(positions.map(({ id, name }) => [id, name || id]));
    return (id) => names.get(id) ?? id;
  }, [positions]);
}
