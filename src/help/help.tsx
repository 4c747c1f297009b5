'use client';

import { CircleHelp } from 'lucide-react';
import { useEffect, useState } from 'react';
import { onDemand } from '@/ui/on-demand';
import type { HelpProps } from './help-panel';

export const HelpOnDemand = onDemand(async () => (await import('./help-panel')).HelpPanel);

/** Help for a screen that has no train’s bar above it: a button, and beside the page the panel it opens. */
export function Help(props: Omit<HelpProps, 'onClose'>) {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const typing = event.target instanceof Element && event.target.closest('input, textarea, select, dialog');
      if (event.key === '?' && !typing) setOpen((before) => !before);
    };
    addEventListener('keydown', press);
    return () => removeEventListener('keydown', press);
  }, []);
  return (
    <>
      <HelpButton onPress={() => setOpen(!open)} />
      {open && <HelpOnDemand.Shown {...props} onClose={() => setOpen(false)} />}
    </>
  );
}

export function HelpButton({ onPress }: { onPress: () => void }) {
  return (
    <button
      type="button"
      className="btn btn-ghost btn-sm btn-square"
      aria-label="Help"
      title="Help and keys (?)"
      onClick={onPress}
    >
      <CircleHelp className="size-4" aria-hidden />
    </button>
  );
}
