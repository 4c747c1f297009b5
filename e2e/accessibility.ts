import AxeBuilder from '@axe-core/playwright';
import type { Page } from './journey';

export interface Fault {
  readonly rule: string;
  readonly serious: boolean;
  readonly html: string;
}

/**
 * What axe finds wrong on the page, or within one part of it. Only faults are asked for: to describe all that is right
 * takes far longer. No view has frames, so that the page need not be left to put results together.
 */
export async function faultsOf(page: Page, within?: string): Promise<readonly Fault[]> {
  const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode();
  const { violations } = await (within === undefined ? axe : axe.include(within)).analyze();
  return violations.map(({ id, impact, nodes }) => ({
    rule: id,
    serious: impact === 'serious' || impact === 'critical',
    html: nodes[0]?.html ?? '',
  }));
}

/** The serious ones, each in a line. */
export const seriousFaultsOf = async (page: Page): Promise<readonly string[]> =>
  (await faultsOf(page)).filter(({ serious }) => serious).map(({ rule, html }) => `${rule}: ${html}`);
