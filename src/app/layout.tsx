import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
import '@fontsource/source-sans-3/400.css';
import '@fontsource/source-sans-3/600.css';
import '@fontsource/source-sans-3/700.css';
import '@fontsource/source-code-pro/400.css';
import '@fontsource/source-code-pro/600.css';
import './globals.css';

export const metadata: Metadata = {
  title: { default: 'Tin Wheel', template: '%s · Tin Wheel' },
  description: 'Traces power through gear trains and computes every gear position exactly.',
};

/** The theme comes from a cookie, so that the first paint already has it. */
export default async function RootLayout({ children }: { children: ReactNode }) {
  const theme = (await cookies()).get('theme')?.value;
  return (
    <html lang="en" data-theme={theme === 'soot' || theme === 'salt' ? theme : undefined}>
      <body className="min-h-dvh bg-base-100 text-base-content">{children}</body>
    </html>
  );
}
