import { adviceOf } from '@/core/shifting';
import { Tabs } from '@/ui/tabs';
import type { Setup } from '../setup';
import type { Says as Tab } from '../store';
import { useShifting } from '../use-shifting';
import { Couplers } from './couplers';
import { PointsTable } from './points-table';
import { ShiftPoints } from './shift-points';
import { Travel } from './travel';
import { VerdictPane } from './verdict';

const TABS: Record<Tab, string> = {
  verdict: 'Verdict',
  points: 'Points',
  shifts: 'Shift points',
  travel: 'Travel',
  couplers: 'Couplers',
};

/**
 * What follows: whether it suits, where it works, when it should shift, how the sleeves travel, what couplers carry.
 */
export function SaysPane({ setup }: { setup: Setup }) {
  const says = useShifting((state) => state.says);
  const openTab = useShifting((state) => state.openTab);
  const badge = (tab: Tab) => {
    const count = tab === 'shifts' ? setup.bands.filter(({ own }) => own?.verdict === 'hunts').length : 0;
    return count > 0 && <span className="badge badge-warning badge-xs ml-1">{count}</span>;
  };
  return (
    <section
      aria-label="What follows"
      className="flex min-h-0 shrink-0 flex-col border-base-content max-xl:h-96 max-xl:border-t xl:w-100 xl:border-l"
    >
      <Tabs
        label="What follows"
        tabs={TABS}
        chosen={says}
        onChoose={(tab) => openTab(tab)}
        badge={badge}
        bodyClass="py-2 text-sm"
      >
        {says === 'verdict' && (
          <VerdictPane setup={setup} advice={adviceOf(setup.train, setup.scenario, setup.points)} />
        )}
        {says === 'points' && <PointsTable setup={setup} />}
        {says === 'shifts' && <ShiftPoints setup={setup} />}
        {says === 'travel' && <Travel />}
        {says === 'couplers' && <Couplers setup={setup} />}
      </Tabs>
    </section>
  );
}
