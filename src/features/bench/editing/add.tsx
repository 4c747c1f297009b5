'use client';

/** A button that adds a part. */
export function Add({ label, onAdd }: { label: string; onAdd: () => void }) {
  return (
    <button type="button" className="btn btn-xs" onClick={onAdd}>
      + {label}
    </button>
  );
}
