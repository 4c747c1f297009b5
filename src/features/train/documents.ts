import { retryImport } from '@/ui/on-demand';

/**
 * Changing, checking and writing documents: loaded when the page has nothing to do, or when it is first needed. What
 * only looks at a train needs none of it.
 */
export const documents = () => retryImport(() => import('@/core/train'));
