import type { ReactNode } from 'react';
import { PaperContext, useComposing } from './use-paper';

/** Composes the sheet for what stands in it. */
export const WithPaper = ({ children }: { children: ReactNode }) => (
  <PaperContext value={useComposing()}>{children}</PaperContext>
);
