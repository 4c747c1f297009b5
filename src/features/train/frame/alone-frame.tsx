import Link from 'next/link';
import type { ReactNode } from 'react';
import { Help } from '@/help/help';
import type { TopicName } from '@/help/topics';
import { ThemeSwitch } from '@/ui/theme-switch';

/**
 * A screen that stands by itself, without a train: its name, the way back to the shelf, and what belongs to the right.
 */
export function AloneFrame({
  title,
  about,
  beside,
  children,
}: {
  title: string;
  about: TopicName;
  beside?: ReactNode;
  children: ReactNode;
}) {
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh lg:overflow-hidden print:block print:h-auto print:overflow-visible">
      <header className="flex items-center gap-4 border-b border-base-content px-4 py-1.5 print:hidden">
        <Link href="/" className="link-hover muted text-sm">
          Shelf
        </Link>
        <h1 className="font-semibold">{title}</h1>
        <span className="flex-1" />
        {beside}
        <Help about={about} />
        <ThemeSwitch />
      </header>
      {children}
    </div>
  );
}
