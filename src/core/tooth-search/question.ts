import type { Rational } from '../rational';
import type { ChainQuestion } from './chains';
import type { FitQuestion } from './fit';
import type { LadderQuestion, RangesQuestion } from './ladder';
import type { OutputsQuestion } from './outputs';
import type { PlanetaryQuestion } from './planetary';
import type { Turning } from './turning';
import type { WantedRatio } from './wanted';

/** What a search asks, whatever is looked for. */
export type SearchQuestion = Asked & {
  /** Module of the wheels, mm, where it is given. */
  readonly module: number | undefined;
  /** Seconds after which the search ends with the best found; null for no limit. */
  readonly timeS: number | null;
};

/** A search for a chain. */
export type Chains = Extract<SearchQuestion, { readonly kind: 'chains' }>;

type Asked =
  | {
      readonly kind: 'chains';
      readonly stages: readonly number[];
      readonly wanted: WantedRatio;
      readonly turning: Turning;
      /** The wheels are a list of what is in stock. */
      readonly stock: boolean;
      readonly question: Omit<ChainQuestion, 'stages'>;
    }
  | { readonly kind: 'planetary'; readonly wanted: WantedRatio; readonly question: PlanetaryQuestion }
  | { readonly kind: 'ladder'; readonly question: LadderQuestion }
  | { readonly kind: 'ranges'; readonly question: RangesQuestion }
  | { readonly kind: 'outputs'; readonly wanted: readonly WantedRatio[]; readonly question: OutputsQuestion }
  | { readonly kind: 'fit'; readonly file: string | undefined; readonly question: Omit<FitQuestion, 'train'> };

/** A wanted ratio as the plain form has it. */
export const asRatio = (ratio: string | number): WantedRatio => ({ form: 'ratio', ratio: String(ratio) });

/** A ratio that a finding gives, by itself or as one of several. */
export interface NamedRatio {
  /** Of a position: its id; of the others the same as the name. */
  readonly id: string;
  /** The position, range or output; empty where there is only one. */
  readonly name: string;
  readonly ratio: Rational;
  readonly wanted: number;
  /** |ratio/wanted − 1|. */
  readonly error: number;
}
