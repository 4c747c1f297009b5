/** Teeth that new gears start with; each is picked at once to be changed. */
export const START_TEETH = { gear: 30, idler: 20, sun: 24, planet: 18, first: 20 };
