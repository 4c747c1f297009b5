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

interface PracticeFacts {
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
}

/** The ways in which it changes. */
interface PracticeActions {
  readonly open: (mode: Mode) => void;
  /** One line about what was done, or with `bad` about what could not be; null takes it away. */
  readonly tell: (told: PracticeFacts['told']) => void;
  readonly refuse: (text: string) => void;
  /** Changes what is wanted. */
  readonly want: (change: Partial<WantedQuestions>) => void;
  /** Something is being made; what was told before goes. */
  readonly begin: () => void;
  readonly end: () => void;
  readonly list: (people: readonly Person[]) => void;
  /** Answers go under this name from now on. */
  readonly choosePerson: (person: string | null) => void;
  readonly putAnswers: (answers: readonly PracticeAnswer[], unreadable: number) => void;
  readonly addAnswer: (answer: PracticeAnswer) => void;
  readonly putDrill: (drill: OpenDrill | null) => void;
  readonly putSheet: (sheet: OpenSheet | null) => void;
  readonly putHunt: (hunt: OpenHunt | null) => void;
}

export type PracticeState = PracticeFacts & PracticeActions;

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
    open: (mode) => set({ mode, told: null }),
    tell: (told) => set({ told }),
    refuse: (text) => set({ told: { text, bad: true } }),
    want: (change) => set(({ wanted }) => ({ wanted: { ...wanted, ...change } })),
    begin: () => set({ busy: true, told: null }),
    end: () => set({ busy: false }),
    list: (people) => set({ people }),
    choosePerson: (person) => set({ person, answers: [], unreadableAnswers: 0 }),
    putAnswers: (answers, unreadable) => set({ answers, unreadableAnswers: unreadable }),
    addAnswer: (answer) => set(({ answers }) => ({ answers: [...answers, answer] })),
    putDrill: (drill) => set({ drill }),
    putSheet: (sheet) => set({ sheet }),
    putHunt: (hunt) => set({ hunt }),
  }));
