import { useId } from 'react';
import { useFill, useTypedFields, useWrong } from '../use-shifting';

/** Times at which a hand shifts, and to which position. */
export function ScheduleField() {
  const id = useId();
  const { rule, order } = useTypedFields('rule', 'order');
  const fill = useFill();
  const message = useWrong()('rule.schedule');
  return (
    <div className="flex flex-col gap-0.5">
      <label htmlFor={id} className="muted">
        Shifts (s, position)
      </label>
      <textarea
        id={id}
        className="textarea textarea-xs figure h-14 w-full aria-invalid:border-error"
        placeholder={`5, ${order[1] ?? order[0] ?? '1'}`}
        value={rule.schedule}
        aria-invalid={message !== null}
        onChange={(event) => fill({ rule: { ...rule, schedule: event.target.value } })}
      />
      {message !== null && (
        <p role="alert" className="text-error">
          {message}
        </p>
      )}
    </div>
  );
}
