import type { Brief } from '@anvilstone/schema';
import { gaugeBeam, lampArm, scraperLever } from './arms.ts';
import { dripCup, guardBumper, nozzleBracket, ratchetPawl } from './knocksAndWear.ts';
import { carrierTray, heaterDuct, snapCover, stampPad } from './warmAndHeld.ts';

export { carrierTray, dripCup, gaugeBeam, guardBumper, heaterDuct, lampArm };
export { nozzleBracket, ratchetPawl, scraperLever, snapCover, stampPad };

/** The parts of the invented cableway. */
export const sampleBriefs: readonly Brief[] = [
  lampArm,
  heaterDuct,
  gaugeBeam,
  guardBumper,
  carrierTray,
  dripCup,
  ratchetPawl,
  snapCover,
  nozzleBracket,
  stampPad,
  scraperLever,
];
