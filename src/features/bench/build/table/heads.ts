import { COUPLER_STYLES, MATERIALS } from '@/core/train';
import { COUPLER_KINDS, PAIR_KINDS, ROLES, SENSES, SET_KINDS, type Column, type Section } from '@/core/parts-table';

/** How a column is headed and how wide it is, and which words may stand in it. */
export interface Head {
  readonly column: Column;
  readonly head: string;
  readonly width: string;
  readonly offers?: 'members' | 'couplers' | readonly string[];
}

const count = (column: Column, head: string): Head => ({ column, head, width: '4rem' });
const member = (column: Column, head: string): Head => ({ column, head, width: '8rem', offers: 'members' });

export const HEADS: Readonly<Record<Section, readonly Head[]>> = {
  sets: [
    { column: 'kind', head: 'Kind', width: '5.5rem', offers: SET_KINDS },
    count('sun', 'Sun'),
    member('sunOn', 'Sun is on'),
    count('planet', 'Planet'),
    { column: 'planetOn', head: 'Planet’s name', width: '8rem' },
    { column: 'copies', head: 'Copies', width: '3.6rem' },
    count('ring', 'Ring'),
    member('ringOn', 'Ring is on'),
    member('carrier', 'Carrier'),
  ],
  pairs: [
    count('driver', 'Driver'),
    member('driverOn', 'Driver is on'),
    count('mate', 'Mate'),
    member('mateOn', 'Mate is on'),
    { column: 'kind', head: 'Kind', width: '6.5rem', offers: PAIR_KINDS },
    { column: 'sense', head: 'Direction', width: '6.5rem', offers: SENSES },
  ],
  wheels: [
    { column: 'wheel', head: 'Wheel', width: '10rem' },
    { column: 'module', head: 'Module, mm', width: '6rem' },
    { column: 'width', head: 'Width, mm', width: '5.5rem' },
    { column: 'material', head: 'Material', width: '6.5rem', offers: MATERIALS },
    { column: 'shift', head: 'Shift, × m', width: '5.5rem' },
    { column: 'helix', head: 'Helix, °', width: '5rem' },
    { column: 'bore', head: 'Bore, mm', width: '5.5rem' },
    { column: 'station', head: 'Station', width: '5rem' },
  ],
  couplers: [
    { column: 'name', head: 'Name', width: '9rem' },
    { column: 'kind', head: 'Kind', width: '6.5rem', offers: COUPLER_KINDS },
    member('a', 'Joins'),
    member('b', 'With'),
    { column: 'style', head: 'Style', width: '6.5rem', offers: COUPLER_STYLES },
  ],
  members: [
    { column: 'name', head: 'Name', width: '12rem' },
    { column: 'role', head: 'Power', width: '6.5rem', offers: ROLES },
    { column: 'limit', head: 'Limit, N·m', width: '6.5rem' },
    { column: 'color', head: 'Colour', width: '6.5rem' },
  ],
  positions: [
    { column: 'name', head: 'Name', width: '7rem' },
    { column: 'engaged', head: 'Engaged, with + between', width: '26rem', offers: 'couplers' },
  ],
};

export const SECTION_NAMES: Readonly<Record<Section, string>> = {
  sets: 'Sets',
  pairs: 'Pairs',
  wheels: 'Wheels',
  couplers: 'Couplers',
  members: 'Members',
  positions: 'Positions',
};

export const SECTIONS = Object.keys(SECTION_NAMES) as Section[];
