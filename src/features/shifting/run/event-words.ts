import type { RunEvent } from '@/core/shifting';

/** What happened, as a person at the bench would say it. */
export function eventWords({ kind, from, to }: RunEvent, nameOf: (id: string) => string): string {
  switch (kind) {
    case 'shift':
      return `shift from ${nameOf(from)} to ${nameOf(to)} begins`;
    case 'engaged':
      return `${nameOf(to)} engages`;
    case 'stall':
      return `it stalls in ${nameOf(to)}`;
    case 'moves':
      return `it moves again in ${nameOf(to)}`;
  }
}
