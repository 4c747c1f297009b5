type Counts = readonly [least: number, most: number];

/** So many stages, or from so many to so many. */
export function StageSpan({
  label,
  value: [least, most],
  most: limit,
  onChange,
}: {
  label: string;
  value: Counts;
  most: number;
  onChange: (counts: Counts) => void;
}) {
  const all = Array.from({ length: limit }, (_, i) => i + 1);
  const select = (value: number, what: string, change: (count: number) => Counts) => (
    <select
      className="select select-xs w-14"
      aria-label={`${label}, ${what}`}
      value={value}
      onChange={(event) => onChange(change(Number(event.target.value)))}
    >
      {all.map((count) => (
        <option key={count}>{count}</option>
      ))}
    </select>
  );
  return (
    <div className="flex items-center justify-between gap-2">
      <span className="muted">{label}</span>
      <span className="flex items-center gap-1.5">
        {select(least, 'least', (count) => [count, Math.max(count, most)])}
        <span className="muted">to</span>
        {select(most, 'most', (count) => [Math.min(count, least), count])}
      </span>
    </div>
  );
}
