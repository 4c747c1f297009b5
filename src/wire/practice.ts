import { ask } from './client';
import type { KeptWorksheet, Person, PracticeAnswer } from './replies';

const personAt = (id: string): string => `/api/people/${encodeURIComponent(id)}`;

/** Who practises here, by name. */
export const readPeople = () => ask<{ people: Person[] }>(['people'], '/api/people');

export const postPerson = (person: Person) => ask<object>([], '/api/people', { method: 'POST', body: person });

/** Takes a name off, with all that was answered under it. */
export const deletePerson = (id: string) => ask<object>([], personAt(id), { method: 'DELETE' });

/** What someone has answered, the oldest first. */
export const fetchAnswers = (id: string) =>
  ask<{ answers: PracticeAnswer[]; unreadable: number }>(['answers'], `${personAt(id)}/answers`);

/** Where those of someone's answers that do not read can be had. */
export const unreadableAnswersAddress = (id: string): string => `${personAt(id)}/answers?as-kept`;

/** Puts those of someone's answers that do not read aside. */
export const postAnswersAside = (id: string) => ask<object>([], `${personAt(id)}/answers`, { method: 'DELETE' });

/** Adds answers; sent twice they are there once. */
export const postAnswers = (id: string, answers: readonly { readonly id: string; readonly answer: PracticeAnswer }[]) =>
  ask<object>([], `${personAt(id)}/answers`, { method: 'POST', body: { answers } });

/** Worksheets that are kept, the newest first. */
export const readWorksheets = () => ask<{ worksheets: KeptWorksheet[] }>(['worksheets'], '/api/worksheets');

export const readKeptWorksheet = (key: string) => ask<{ document: object }>(['document'], `/api/worksheets/${key}`);

export const putWorksheet = (key: string, name: string, document: object) =>
  ask<object>([], `/api/worksheets/${key}`, { method: 'PUT', body: { name, document } });

export const deleteWorksheet = (key: string) => ask<object>([], `/api/worksheets/${key}`, { method: 'DELETE' });
