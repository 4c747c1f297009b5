'use client';

import { Moon, Sun } from 'lucide-react';
import { useRouter } from 'next/navigation';

/** Switches between the light theme "salt" and the dark "soot", and remembers the choice. */
export function ThemeSwitch() {
  const router = useRouter();
  const choose = () => {
    const root = document.documentElement;
    const dark = root.dataset.theme
      ? root.dataset.theme === 'soot'
      : matchMedia('(prefers-color-scheme: dark)').matches;
    const theme = dark ? 'salt' : 'soot';
    root.dataset.theme = theme;
    document.cookie = `theme=${theme}; path=/; max-age=31536000; samesite=lax`;
    router.refresh();
  };
  return (
    <button
      type="button"
      className="btn btn-ghost btn-sm btn-square"
      onClick={choose}
      aria-label="Switch between light and dark"
      title="Light or dark"
    >
      <Sun className="hidden size-4 [[data-theme=soot]_&]:block" aria-hidden />
      <Moon className="size-4 [[data-theme=soot]_&]:hidden" aria-hidden />
    </button>
  );
}
