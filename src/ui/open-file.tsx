import { FileUp } from 'lucide-react';

interface Props {
  /** What stands beside the sign; without it the sign stands alone. */
  readonly word?: string;
  readonly label?: string;
  readonly accept: string;
  readonly onOpen: (file: File) => void;
}

/** A button that asks for a file; the same file can be asked for again. */
export function OpenFile({ word, label, accept, onOpen }: Props) {
  return (
    <label
      className={`btn btn-ghost btn-xs has-focus-visible:outline-2 ${word === undefined ? 'btn-square' : ''}`}
      title={label}
    >
      <FileUp className="size-3.5" aria-hidden /> {word}
      <input
        type="file"
        className="sr-only"
        aria-label={word === undefined ? label : undefined}
        accept={accept}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) onOpen(file);
          event.target.value = '';
        }}
      />
    </label>
  );
}
