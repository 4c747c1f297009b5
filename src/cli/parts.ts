import { partsOf, partsTable } from '@/core/parts';
import type { Train } from '@/core/train';
import { SPEED_UNITS, TORQUE_UNITS } from '@/core/units';
import { csvText, markdownText } from '@/ui/table-text';
import type { Options } from './options';
import { UsageError } from './options';

/** The parts list of a train at a speed and torque, as JSON, CSV or Markdown. */
export function partsText(
  train: Train,
  { speed, torque, csv, markdown }: Pick<Options, 'speed' | 'torque' | 'csv' | 'markdown'>,
): string {
  if (csv && markdown) throw new UsageError('--csv and --markdown: choose one.');
  const list = partsOf(train, {
    speedRpm: speed ? (speed.value * SPEED_UNITS[speed.unit]) / SPEED_UNITS.rpm : null,
    torqueNm: torque ? torque.value * TORQUE_UNITS[torque.unit] : null,
  });
  if (csv) return csvText(partsTable(list));
  if (markdown) return markdownText(partsTable(list));
  return `${JSON.stringify(list, null, 1)}\n`;
}
