import { linesOf, TEXT_HEIGHT, type Label } from '@/core/drawing';

interface Props {
  readonly labels: readonly Label[];
  /** How tooth counts and names look. */
  readonly count: string;
  readonly name: string;
}

/** Names and tooth counts where the side view has room for them. */
export const SideViewLabels = ({ labels, count, name }: Props) =>
  labels.map(({ text, x, y, anchor, of }) => {
    const lines = linesOf(text);
    return (
      <text
        key={`${of.kind} ${of.id}`}
        x={x}
        y={y}
        textAnchor={anchor}
        dominantBaseline="central"
        className={of.kind === 'gear' ? count : name}
      >
        {lines.length === 1
          ? text
          : lines.map((line, i) => (
              <tspan key={i} x={x} y={y + (i - (lines.length - 1) / 2) * TEXT_HEIGHT}>
                {line}
              </tspan>
            ))}
      </text>
    );
  });
