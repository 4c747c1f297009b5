import { CHOICES, type RestoreChoice } from './restore';

/** What is to be done with which train, out of an address: `train-ID=choice`. Null where a choice is none. */
export function choicesIn(params: URLSearchParams): ReadonlyMap<string, RestoreChoice> | null {
  const found = new Map<string, RestoreChoice>();
  for (const [key, value] of params) {
    if (!key.startsWith('train-')) continue;
    if (!CHOICES.includes(value as RestoreChoice)) return null;
    found.set(key.slice('train-'.length), value as RestoreChoice);
  }
  return found;
}

/** What was not asked about is left as it is. */
export const checkedChoice =
  (choices: ReadonlyMap<string, RestoreChoice>) =>
  (id: string): RestoreChoice =>
    choices.get(id) ?? 'skip';
