import { CHOICES, type Choice } from './restore';

/** What is to be done with which train, out of an address: `train-ID=choice`. Null where a choice is none. */
export function choicesIn(params: URLSearchParams): ReadonlyMap<string, Choice> | null {
  const found = new Map<string, Choice>();
  for (const [key, value] of params) {
    if (!key.startsWith('train-')) continue;
    if (!CHOICES.includes(value as Choice)) return null;
    found.set(key.slice('train-'.length), value as Choice);
  }
  return found;
}

/** What was not asked about is left as it is. */
export const checkedChoice =
  (choices: ReadonlyMap<string, Choice>) =>
  (id: string): Choice =>
    choices.get(id) ?? 'skip';
