import { onDemand } from '@/ui/on-demand';

/** Few paste a chart; the dialog comes when it is asked for. */
export const PasteDialogOnDemand = onDemand(async () => (await import('./paste-dialog')).PasteDialog);
