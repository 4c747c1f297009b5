import { PRESETS, presetFor, shapeOfScenario, type Preset } from '@/core/shifting';
import { KeptFiles } from '@/features/train/kept/kept-beside';
import { useTrain } from '@/features/train/use-train';
import { writtenScenario } from '../form';
import { shiftingFormOf } from '../form-of';
import { gearingsNow, possibleOrder } from '../setup';
import { BeginAnew } from '@/ui/begin-anew';
import { useFill, useShiftingForm, useRead, useShiftingItself } from '../use-shifting';
import { InertiaFields } from './inertia-fields';
import { LoadFields } from './load-fields';
import { MotorFields } from './motor-fields';
import { OrderFields } from './order-fields';
import { RuleFields } from './rule-fields';
import { refusalText, parseJson } from '@/core/result';

/** What is given: motor, load, positions and rule; begun from a job of the saltworks, kept with the train. */
export function GivenPane() {
  const { draft } = useShiftingItself();
  return (
    <form aria-label="What is given" className="pb-4" onSubmit={(event) => event.preventDefault()}>
      <PresetChoice />
      <MotorFields />
      <LoadFields />
      <OrderFields />
      <RuleFields />
      <InertiaFields />
      <KeptScenarios />
      <div className="px-3 pt-1">
        <BeginAnew draft={draft} />
      </div>
    </form>
  );
}

function KeptScenarios() {
  const form = useShiftingForm();
  const fill = useFill();
  const read = useRead();
  const open = (text: string) => {
    const json = parseJson(text);
    const scenario = shapeOfScenario(json.ok ? json.value : null);
    if (!scenario.ok) return refusalText(scenario);
    fill(shiftingFormOf(scenario.value, form));
    return null;
  };
  return (
    <KeptFiles
      kind="scenarios"
      format="tin-wheel/scenario"
      noun="scenario"
      text={JSON.stringify(writtenScenario(form))}
      sound={read.ok}
      suffix=".scenario.json"
      about="Motor, load and rule as a file, which the command line’s points and run take"
      onOpen={open}
    />
  );
}

function PresetChoice() {
  const train = useTrain((state) => state.train);
  const form = useShiftingForm();
  const fill = useFill();
  const order = possibleOrder(train);
  const take = (preset: Preset) =>
    fill(shiftingFormOf(presetFor(preset, order, gearingsNow(train, order, form.losses), form.losses), form));
  return (
    <label className="flex items-center justify-between gap-2 px-4 py-2 text-sm">
      <span className="font-semibold whitespace-nowrap">Begin with</span>
      <select
        className="select select-sm w-44"
        disabled={order.length === 0}
        value=""
        onChange={(event) => take(event.target.value as Preset)}
      >
        <option value="" disabled>
          {order.length === 0 ? 'no position drives' : 'a job…'}
        </option>
        {(Object.keys(PRESETS) as Preset[]).map((preset) => (
          <option key={preset} value={preset}>
            {PRESETS[preset]}
          </option>
        ))}
      </select>
    </label>
  );
}
