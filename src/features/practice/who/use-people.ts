import { useEffect } from 'react';
import { fetchAnswers, readPeople } from '@/wire';
import type { PracticeStore } from '../store';
import { usePracticeItself } from '../use-practice';

const KEPT = 'tin-wheel-practice-person';

/** Reads who practises here, and takes up whoever did last in this browser. */
export function usePeople(): void {
  const { store } = usePracticeItself();
  useEffect(() => void readPeopleAgain(store), [store]);
}

async function readPeopleAgain(store: PracticeStore): Promise<void> {
  const answer = await readPeople();
  const { list, refuse } = store.getState();
  if (!answer.ok) {
    list([]);
    return refuse(answer.message);
  }
  const { people } = answer.value;
  list(people);
  const last = lastPerson();
  if (store.getState().person === null && people.some(({ id }) => id === last)) await takeUp(store, last);
}

/** From now on answers go under this name; null for nobody's. */
export async function takeUp(store: PracticeStore, person: string | null): Promise<void> {
  store.getState().choosePerson(person);
  keepPerson(person);
  if (person === null) return;
  const answer = await fetchAnswers(person);
  if (store.getState().person !== person) return;
  if (answer.ok) {
    const { answers, unreadable } = answer.value;
    store.getState().putAnswers(answers, unreadable);
  } else store.getState().refuse(answer.message);
}

function lastPerson(): string | null {
  try {
    return localStorage.getItem(KEPT);
  } catch {
    // A browser may forbid keeping anything; then nobody is taken up by themselves.
    return null;
  }
}

function keepPerson(person: string | null): void {
  try {
    if (person === null) localStorage.removeItem(KEPT);
    else localStorage.setItem(KEPT, person);
  } catch {
    // The same.
  }
}
