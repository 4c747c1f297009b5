import type { Train } from '../train';
import { addRow, type NewRow } from './add-row';

/** A position as it is written in one line, "1 = sun brake + link": its name, and what is engaged. */
export function addWrittenPosition(train: Train, text: string): NewRow {
  const [, name = '', engaged = ''] = /^([^=:]*)[=:](.*)$/s.exec(text) ?? [];
  if (name.trim() === '')
    return { kind: 'wrong', message: 'Write a name, “=” and what is engaged, such as 1 = Hold + Link.' };
  const known = new Map(train.couplers.map((coupler) => [coupler.name.toLowerCase(), coupler.name]));
  // Capitals are not told apart where no two names differ by them alone.
  const named = engaged.split('+').map((one) => known.get(one.trim().toLowerCase()) ?? one);
  return addRow(train, 'positions', { name, engaged: named.join('+') });
}
