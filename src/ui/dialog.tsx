'use client';

import { useEffect, useId, useRef, type ReactNode } from 'react';

interface Props {
  readonly title: string;
  /** Esc, or closing in another way; without it a choice has to be made. */
  readonly onClose?: () => void;
  readonly wide?: boolean;
  readonly children: ReactNode;
}

/** A dialog over the page, open for as long as it is there. The page behind it is out of reach until it is closed. */
export function Dialog({ title, onClose, wide = false, children }: Props) {
  const dialog = useRef<HTMLDialogElement>(null);
  const heading = useId();
  useEffect(() => dialog.current?.showModal(), []);
  return (
    <dialog
      ref={dialog}
      className="modal"
      aria-labelledby={heading}
      onCancel={(event) => {
        event.preventDefault();
        onClose?.();
      }}
    >
      <div className={`modal-box ${wide ? 'max-w-3xl' : ''}`}>
        <h2 id={heading} className="text-lg font-semibold">
          {title}
        </h2>
        {children}
      </div>
    </dialog>
  );
}

/** The row of buttons at a dialog's foot. */
export const DialogActions = ({ children }: { children: ReactNode }) => (
  <div className="modal-action flex-wrap">{children}</div>
);
