import { Tabs } from '@/ui/tabs';
import { Efficiency } from './readings/efficiency';
import { ReadingDetail } from './readings/detail';
import { FaultFinder } from './faults/fault-finder';
import type { Side as Tab } from './store';
import { useLog } from './use-log';

const TABS: Record<Tab, string> = { reading: 'Reading', efficiency: 'Efficiency', faults: 'Fault finder' };

/** What one reading proves, what power comes through, and which part may be bad. */
export function SidePane() {
  const side = useLog((state) => state.side);
  const set = useLog((state) => state.set);
  return (
    <section
      aria-label="What it proves"
      className="flex min-h-0 shrink-0 flex-col border-base-content max-xl:border-t lg:max-xl:h-80 xl:w-96 xl:border-l"
    >
      <Tabs
        label="What it proves"
        tabs={TABS}
        chosen={side}
        onChoose={(tab) => set({ side: tab })}
        bodyClass="py-2 text-sm"
      >
        {side === 'reading' && <ReadingDetail />}
        {side === 'efficiency' && <Efficiency />}
        {side === 'faults' && <FaultFinder />}
      </Tabs>
    </section>
  );
}
