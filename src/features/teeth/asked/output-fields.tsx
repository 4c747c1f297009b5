import { Plus, X } from 'lucide-react';
import { MOST_STAGES, readWanted } from '@/core/tooth-search';
import { messageAt } from '@/ui/form/fields';
import { Group, Pick, TextInput, Tick } from '@/ui/form/inputs';
import { outputOf, type OutputText } from '../form';
import { useAsk, useProblemAt, useTeethForm } from '../use-teeth';
import { TURNING } from './condition-fields';
import { StageSpan } from './stage-span';
import { WantedFields } from './wanted-fields';

/** Several outputs that one chain is tapped for, each with its own target, all from one motor. */
export function OutputFields() {
  const { outputs, motor } = useTeethForm();
  const ask = useAsk();
  const change = (at: number, change: Partial<OutputText>) =>
    ask({ outputs: outputs.map((one, i) => (i === at ? { ...one, ...change } : one)) });
  return (
    <>
      <Group name="The motor">
        <TextInput
          wide
          label="Input speed of all"
          title="The speed that all outputs are given by; left empty, each has its own."
          placeholder="each its own"
          value={motor}
          message={
            motor.trim() === '' ? null : messageAt(readWanted({ form: 'speeds', in: motor, out: '1 rpm' }), 'in')
          }
          onChange={(speed) => ask({ motor: speed })}
        />
      </Group>
      {outputs.map((output, i) => (
        <Group
          key={i}
          name={`Output ${i + 1}`}
          beside={
            outputs.length > 1 && (
              <button
                type="button"
                className="btn btn-ghost btn-xs"
                aria-label={`Leave out ${output.name}`}
                onClick={() => ask({ outputs: outputs.filter((_, k) => k !== i) })}
              >
                <X className="size-3.5" aria-hidden />
              </button>
            )
          }
        >
          <TextInput wide label="Name" value={output.name} onChange={(name) => change(i, { name })} />
          <WantedFields wanted={output.wanted} motor={motor} onChange={(wanted) => change(i, { wanted })} />
          <Pick
            label="It turns"
            value={output.turning}
            choices={TURNING}
            onChange={(turning) => change(i, { turning })}
          />
        </Group>
      ))}
      <TheChain />
    </>
  );
}

function TheChain() {
  const { outputs, between, toFirst, coaxial } = useTeethForm();
  const ask = useAsk();
  const wrong = useProblemAt()('outputs');
  return (
    <Group name="The chain">
      <StageSpan
        label="Stages to the first tap"
        value={toFirst}
        most={MOST_STAGES}
        onChange={(stages) => ask({ toFirst: stages })}
      />
      <StageSpan
        label="Stages between taps"
        value={between}
        most={MOST_STAGES}
        onChange={(stages) => ask({ between: stages })}
      />
      <Tick
        label="All outputs on one axis"
        title="Like the hands of a dial: each chain between two taps comes back to the axis that it left."
        checked={coaxial}
        onChange={(checked) => ask({ coaxial: checked })}
      />
      {wrong && (
        <p role="alert" className="text-error">
          {wrong}
        </p>
      )}
      <button
        type="button"
        className="btn btn-xs self-start"
        disabled={outputs.length >= 8}
        onClick={() => ask({ outputs: [...outputs, outputOf(`output ${outputs.length + 1}`)] })}
      >
        <Plus className="size-3.5" aria-hidden /> Another output
      </button>
    </Group>
  );
}
