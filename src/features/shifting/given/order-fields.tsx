import { useTrain } from '@/features/train/use-train';
import { FormFields } from '@/ui/form/form-fields';
import { START } from '../fields';
import { Group, Tick } from '@/ui/form/inputs';
import { possibleOrder } from '../setup';
import { useFill, useTypedFields, useNameOf, useWrong } from '../use-shifting';

/** The positions that are used, and where a run begins. */
export function OrderFields() {
  const train = useTrain((state) => state.train);
  const nameOf = useNameOf();
  const { order, start, losses } = useTypedFields('order', 'start', 'losses');
  const fill = useFill();
  const wrong = useWrong();
  const possible = possibleOrder(train);
  const message = wrong('order') ?? wrong('start');
  const choose = (id: string, on: boolean) => {
    const next = [...new Set([...possible, ...order])].filter((one) => (one === id ? on : order.includes(one)));
    fill({ order: next, start: next.includes(start.position) ? start : { ...start, position: next[0] ?? '' } });
  };
  return (
    <Group name="Positions, slowest first">
      <div className="flex flex-wrap gap-x-3 gap-y-1">
        {[...new Set([...possible, ...order])].map((id) => (
          <Tick key={id} label={nameOf(id)} checked={order.includes(id)} onChange={(on) => choose(id, on)} />
        ))}
      </div>
      {message !== null && (
        <p role="alert" className="text-error">
          {message}
        </p>
      )}
      <label className="flex items-center justify-between gap-2">
        <span className="muted">A run begins in</span>
        <select
          className="select select-xs w-28"
          value={start.position}
          onChange={(event) => fill({ start: { ...start, position: event.target.value } })}
        >
          {order.map((id) => (
            <option key={id} value={id}>
              {nameOf(id)}
            </option>
          ))}
        </select>
      </label>
      <FormFields
        fields={START}
        form={start}
        wrong={(path) => wrong(`start.${path}`)}
        onChange={(change) => fill({ start: { ...start, ...change } })}
      />
      <Tick
        label="Include mesh losses"
        checked={losses}
        title="Mesh efficiencies of the train, driving and coasting"
        onChange={(on) => fill({ losses: on })}
      />
    </Group>
  );
}
