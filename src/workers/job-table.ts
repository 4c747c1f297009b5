import type { Jobs } from './jobs';

/** What is known of a job before it is asked for. */
interface JobSpec {
  /** Whoever asks for a job of the same lane later takes the place of what was asked before. */
  readonly lane:
    | 'drawing'
    | 'combinations'
    | 'singles'
    | 'teeth'
    | 'ways'
    | 'schemes'
    | 'why no scheme'
    | 'run'
    | 'other train'
    | 'fixes'
    | 'faults'
    | 'hunt'
    | 'shapes'
    | 'body'
    | 'body file';
  /** A job that takes longer is ended and has failed, s. */
  readonly limitS: number;
}

/** Every job beside the page. Searches have time limits of their own, which they keep by themselves. */
export const JOB_TABLE: { readonly [K in keyof Jobs]: JobSpec } = {
  draft: { lane: 'drawing', limitS: 300 },
  combinations: { lane: 'combinations', limitS: 600 },
  singles: { lane: 'singles', limitS: 600 },
  teeth: { lane: 'teeth', limitS: 86_400 },
  ways: { lane: 'ways', limitS: 120 },
  schemes: { lane: 'schemes', limitS: 86_400 },
  whyNoScheme: { lane: 'why no scheme', limitS: 600 },
  run: { lane: 'run', limitS: 600 },
  runOther: { lane: 'other train', limitS: 600 },
  tries: { lane: 'fixes', limitS: 1_200 },
  diagnose: { lane: 'faults', limitS: 600 },
  hunt: { lane: 'hunt', limitS: 300 },
  huntTests: { lane: 'hunt', limitS: 300 },
  solid: { lane: 'shapes', limitS: 300 },
  shapes: { lane: 'shapes', limitS: 1_200 },
  body: { lane: 'body', limitS: 120 },
  bodyFile: { lane: 'body file', limitS: 300 },
};
