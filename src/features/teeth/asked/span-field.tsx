import type { Spans } from '../form';

/** From least to most. */
export function SpanField({
  label,
  value: [least, most],
  title,
  onChange,
}: {
  label: string;
  value: Spans;
  title?: string;
  onChange: (span: Spans) => void;
}) {
  const field = (text: string, what: string, change: (text: string) => Spans) => (
    <input
      className="input input-xs figure w-14"
      inputMode="numeric"
      aria-label={`${label}, ${what}`}
      value={text}
      onChange={(event) => onChange(change(event.target.value))}
    />
  );
  return (
    <div className="flex items-center justify-between gap-2" title={title}>
      <span className="muted">{label}</span>
      <span className="flex items-center gap-1.5">
        {field(least, 'least', (text) => [text, most])}
        <span className="muted">to</span>
        {field(most, 'most', (text) => [least, text])}
      </span>
    </div>
  );
}
