/** What can hurt, and what the figures are not; each screen shows those that apply to it. */
export const CAUTIONS = {
  figures:
    'Motion is exact and torque ideal, or estimated from the losses given. Teeth, shafts, ' +
    'bearings and housings are not rated for strength or fatigue.',
  comparison:
    'A comparison between these wheels, not a rating: no life, no shocks, no safety. Have what can hurt someone rated ' +
    'by who is licensed for it.',
  turning: 'Rotating parts pinch and grab: guards on, no loose clothing, power off before reaching in.',
  burst: 'Fast or printed gears can burst: keep below the tip speed of the material, with a shield and eye protection.',
  springs: 'Springs and balls fly out of opened hubs.',
  motor:
    'A motor held near a stall burns. While testing: wheels off the ground or the ' +
    'machine fixed, hands off while a shifter is live.',
  licensed: 'Jacked vehicles, brakes and steering belong to licensed practice and the maker’s service data.',
  local: 'Local rules on machinery and vehicles come first.',
} as const;

export type CautionName = keyof typeof CAUTIONS;
