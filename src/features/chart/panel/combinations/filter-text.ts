import type { Status } from '@/core/solve';

/** The filter as it is typed and chosen; empty texts ask for nothing. */
export interface FilterText {
  readonly status: Status | '';
  readonly way: 'same way' | 'reverse' | '';
  readonly most: string;
  readonly from: string;
  readonly to: string;
  readonly unlisted: boolean;
  /** One change away from this position. */
  readonly near: string;
  readonly without: string;
}

export const NO_FILTER: FilterText = {
  status: 'drive',
  way: '',
  most: '',
  from: '',
  to: '',
  unlisted: false,
  near: '',
  without: '',
};
