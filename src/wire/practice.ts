import { ask } from './client';
import { addressOf } from './endpoints';
import type { Person, PracticeAnswer } from './replies';

/** Who practises here, by name. */
export const readPeople = () => ask('listPeople', {}, {});

export const postPerson = (person: Person) => ask('addPerson', {}, { body: person });

/** Takes a name off, with all that was answered under it. */
export const deletePerson = (id: string) => ask('removePerson', { id }, {});

/** What someone has answered, the oldest first. */
export const fetchAnswers = (id: string) => ask('readAnswers', { id }, {});

/** Where those of someone's answers that do not read can be had. */
export const unreadableAnswersAddress = (id: string): string => addressOf('readAnswers', { id }, 'as-kept');

/** Puts those of someone's answers that do not read aside. */
export const postAnswersAside = (id: string) => ask('putAnswersAside', { id }, {});

/** Adds answers; sent twice they are there once. */
export const postAnswers = (id: string, answers: readonly { readonly id: string; readonly answer: PracticeAnswer }[]) =>
  ask('addAnswers', { id }, { body: { answers: [...answers] } });

/** Worksheets that are kept, the newest first. */
export const readWorksheets = () => ask('listWorksheets', {}, {});

export const readKeptWorksheet = (key: string) => ask('readWorksheet', { key }, {});

export const putWorksheet = (key: string, name: string, document: object) =>
  ask('keepWorksheet', { key }, { body: { name, document } });

export const deleteWorksheet = (key: string) => ask('removeWorksheet', { key }, {});
