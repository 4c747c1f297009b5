import type { RunEvent } from '@/core/shifting';

/** What happened, as a person at the bench would say it. */
export function eventWords({ kind, from, to }: RunEvent, nameOf: (id: string) => string): string {
  switch (kind) {
    case 'shift':
      return `${nameOf(from)} is left for ${nameOf(to)}`;
    case 'engaged':
      return `${nameOf(to)} is in`;
    case 'stall':
      return `it stalls in ${nameOf(to)}`;
    case 'moves':
      return `it moves again in ${nameOf(to)}`;
  }
}
