import { createStore } from 'zustand';
import type { Fault } from '@/core/faults';
import type {
  DrillQuestion,
  GivenAnswer,
  Hunt,
  HuntStanding,
  Level,
  Mark,
  Skill,
  Subject,
  Worksheet,
  WorksheetFile,
} from '@/core/practice';
import type { Train } from '@/core/train';
import type { Person, PracticeAnswer } from '@/wire';

export type Mode = 'drill' | 'sheet' | 'hunt' | 'progress';

/** Where questions come from: the train that is open, chosen ones of the shelf, or ones by chance. */
export type TrainSource = 'here' | 'shelf' | 'random';

/** A train that is asked about, and where it stands on the shelf if it does. */
export interface AskedTrain {
  readonly id?: string | undefined;
  readonly train: Train;
  readonly subject: Subject;
}

/** What is asked for: alike for drills and worksheets. */
export interface WantedQuestions {
  readonly source: TrainSource;
  readonly shelf: readonly string[];
  readonly kind: string;
  readonly level: Level | '';
  /** None means all of them. */
  readonly skills: readonly Skill[];
  readonly count: string;
  readonly seed: string;
}

/** A drill as it goes on: each answer as it was given and marked. */
export interface OpenDrill {
  readonly id: string;
  readonly trains: readonly AskedTrain[];
  readonly questions: readonly DrillQuestion[];
  readonly at: number;
  readonly answers: readonly { readonly given: GivenAnswer; readonly mark: Exclude<Mark, { verdict: 'unread' }> }[];
  readonly begunAt: number;
  readonly endedAt: number | null;
}

/** A worksheet that is open: what is typed into it, by question or cell, and which of that is marked. */
export interface OpenSheet {
  /** Of this time of filling it in. */
  readonly id: string;
  readonly file: WorksheetFile;
  readonly sheet: Worksheet;
  readonly given: Readonly<Record<string, GivenAnswer>>;
  readonly marked: readonly string[];
  readonly atOnce: boolean;
  readonly answersOnPaper: boolean;
  /** Trains that are otherwise on the shelf now. */
  readonly changed: readonly string[];
}

/** A hunt for the bad part: what was tried, and what came of it. */
export interface OpenHunt {
  readonly id: string;
  readonly hunt: Hunt;
  readonly best: { readonly tests: readonly (readonly string[])[]; readonly alike: readonly Fault[] };
  readonly engaged: readonly string[];
  readonly tried: readonly (readonly string[])[];
  readonly standing: HuntStanding | null;
  readonly named: readonly Fault[];
  readonly over: boolean;
}

export interface PracticeState {
  readonly mode: Mode;
  /** Null until they were read. */
  readonly people: readonly Person[] | null;
  readonly person: string | null;
  readonly answers: readonly PracticeAnswer[];
  /** How many more of the person's are kept and do not read. */
  readonly unreadableAnswers: number;
  readonly wanted: WantedQuestions;
  readonly drill: OpenDrill | null;
  readonly sheet: OpenSheet | null;
  readonly hunt: OpenHunt | null;
  /** One line about what was done or refused. */
  readonly told: { readonly text: string; readonly bad: boolean } | null;
  readonly busy: boolean;
  readonly set: (change: Partial<Omit<PracticeState, 'set'>>) => void;
}

export type PracticeStore = ReturnType<typeof createPracticeStore>;

/** @param here whether a train is open */
export const createPracticeStore = (here: boolean) =>
  createStore<PracticeState>()((set) => ({
    mode: 'drill',
    people: null,
    person: null,
    answers: [],
    unreadableAnswers: 0,
    wanted: {
      source: here ? 'here' : 'shelf',
      shelf: [],
      kind: 'countershaft',
      level: '',
      skills: [],
      count: '10',
      seed: '1',
    },
    drill: null,
    sheet: null,
    hunt: null,
    told: null,
    busy: false,
    set,
  }));
