import { onDemand } from '@/ui/on-demand';

/** What is different between two states of a train, in words; few ask for it. */
export const DifferenceList = onDemand(async () => (await import('./difference-list')).DifferenceItems);
