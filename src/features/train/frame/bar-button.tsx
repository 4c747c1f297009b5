'use client';

import type { ReactNode } from 'react';

/** A button of the bar: a picture, and its words on hover and for screen readers. */
export function BarButton({
  label,
  title = label,
  icon,
  disabled = false,
  onPress,
}: {
  label: string;
  title?: string;
  icon: ReactNode;
  disabled?: boolean;
  onPress: () => void;
}) {
  return (
    <button
      type="button"
      className="btn btn-ghost btn-sm btn-square"
      aria-label={label}
      title={title}
      disabled={disabled}
      onClick={onPress}
    >
      {icon}
    </button>
  );
}
