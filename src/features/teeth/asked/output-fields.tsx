import { Plus, X } from 'lucide-react';
import { useAsk, useTeethForm } from '../use-teeth';
import { TextInput, Group } from '@/ui/form/inputs';
import { StageSpan } from './stage-span';
import { wantedAs } from '../form';
import { WantedFields } from './wanted-fields';

/** Several outputs that one chain is tapped for, each with its own target. */
export function OutputFields() {
  const { outputs, between } = useTeethForm();
  const ask = useAsk();
  return (
    <>
      {outputs.map(({ name, wanted }, i) => (
        <Group
          key={i}
          name={`Output ${i + 1}`}
          beside={
            outputs.length > 1 && (
              <button
                type="button"
                className="btn btn-ghost btn-xs"
                aria-label={`Leave out ${name}`}
                onClick={() => ask({ outputs: outputs.filter((_, k) => k !== i) })}
              >
                <X className="size-3.5" aria-hidden />
              </button>
            )
          }
        >
          <TextInput
            wide
            label="Name"
            value={name}
            onChange={(text) => ask({ outputs: outputs.map((one, k) => (k === i ? { ...one, name: text } : one)) })}
          />
          <WantedFields
            wanted={wanted}
            onChange={(changed) =>
              ask({ outputs: outputs.map((one, k) => (k === i ? { ...one, wanted: changed } : one)) })
            }
          />
        </Group>
      ))}
      <Group name="The chain">
        <StageSpan
          label="Stages between taps"
          value={between}
          most={3}
          onChange={(stages) => ask({ between: stages })}
        />
        <button
          type="button"
          className="btn btn-xs self-start"
          disabled={outputs.length >= 8}
          onClick={() =>
            ask({ outputs: [...outputs, { name: `output ${outputs.length + 1}`, wanted: wantedAs('100') }] })
          }
        >
          <Plus className="size-3.5" aria-hidden /> Another output
        </button>
      </Group>
    </>
  );
}
