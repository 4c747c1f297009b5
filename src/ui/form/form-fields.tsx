import type { FieldTable } from './fields';
import { TextInput } from './inputs';

interface Props<K extends string> {
  readonly fields: FieldTable<K>;
  readonly form: Readonly<Record<K, string>>;
  /** What is wrong at a field's place in the schema. */
  readonly wrong: (path: string) => string | null;
  /** Room for longer texts. */
  readonly wide?: boolean;
  /** The id of the first input, where the focus is sent. */
  readonly firstId?: string;
  /** Room for the units, the same in a group. */
  readonly unitWidth?: string;
  readonly onChange: (change: Partial<Record<K, string>>) => void;
}

/** The inputs of a table of fields, each with what is wrong with it. */
export function FormFields<K extends string>({
  fields,
  form,
  wrong,
  firstId,
  wide = false,
  unitWidth,
  onChange,
}: Props<K>) {
  return fields.map(({ key, path, label, unit, hint, placeholder }, i) => (
    <TextInput
      key={key}
      {...(i === 0 && firstId !== undefined && { id: firstId })}
      label={label}
      wide={wide}
      {...(unit !== undefined && { unit })}
      {...(unitWidth !== undefined && { unitWidth })}
      {...(hint !== undefined && { title: hint })}
      {...(placeholder !== undefined && { placeholder })}
      value={form[key]}
      message={wrong(path)}
      onChange={(text) => onChange({ [key]: text } as Partial<Record<K, string>>)}
    />
  ));
}
