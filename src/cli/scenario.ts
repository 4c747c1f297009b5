import Papa from 'papaparse';
import { toFraction } from '@/core/rational';
import { pointsOf, readScenario, runScenario, samplesOf, travelOf, type Scenario } from '@/core/shifting';
import type { Train } from '@/core/train';
import { UsageError } from './options';
import { readText } from './read-text';

const MOST_BYTES = 2_000_000;

/** Reads the scenario of a command for a train. @throws UsageError */
export function readScenarioFile(file: string | undefined, train: Train): Scenario {
  if (file === undefined) throw new UsageError('--scenario: name the scenario file.');
  const read = readScenario(readText(file, MOST_BYTES, 'a scenario'), train);
  if (!read.ok) throw new UsageError(`${file}: ${read.message}`);
  return read.value;
}

/** Operating points and shift points as JSON. */
export const pointsJson = (train: Train, file: string | undefined): unknown =>
  explained(file, () => {
    const { positions, shifts } = pointsOf(train, readScenarioFile(file, train));
    const none = { r: null, downAt: null, landsAt: null, upAbove: null };
    return {
      positions: Object.fromEntries(positions),
      shifts: shifts.map(({ from, to, point }) => ({ from, to, ...(point ?? none) })),
    };
  });

/** A run as JSON: what happened, where it ended, where the energy went. */
export const runJson = (train: Train, file: string | undefined): unknown =>
  explained(file, () => {
    const { events, final, energy, verdicts } = runScenario(train, readScenarioFile(file, train));
    return { events, final, energy, verdicts };
  });

/** The samples of a run as CSV. */
export const runCsv = (train: Train, file: string | undefined): string =>
  explained(file, () => {
    const scenario = readScenarioFile(file, train);
    const { traces } = runScenario(train, scenario);
    return `${Papa.unparse([...samplesOf(traces, scenario.order)], { newline: '\n' })}\n`;
  });

/** What each selector's travel gives, stretch by stretch, as JSON. */
export const travelJson = (train: Train): unknown =>
  Object.fromEntries(
    [...travelOf(train)].map(([selector, stretches]) => [
      selector,
      stretches.map(({ ratio, ...stretch }) => ({ ...stretch, ratio: ratio && toFraction(ratio) })),
    ]),
  );

function explained<T>(file: string | undefined, make: () => T): T {
  try {
    return make();
  } catch (error) {
    if (error instanceof RangeError) throw new UsageError(`${file}: ${error.message}`);
    throw error;
  }
}
