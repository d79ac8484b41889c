import { InputError, requirePositive, formatNumber as f, say, mm2, bare, mm } from '@anvilstone/core/foundations';
import { type PartModel, type StressPlace } from './partModel.ts';
import { ALONG } from './direction.ts';
import type { GeometryOf } from '@anvilstone/schema';
import { place, response } from './pieces.ts';

export const STEEL_MODULUS_MPA = 205000;
/** Tensile stress area over the area of the nominal diameter: about 0.75 for metric coarse threads (Shigley, table 8-1). */
const THREAD_AREA_SHARE = 0.75;
/** Half of the pressure cone's opening under a head (Shigley, 10th ed., section 8-5). */
const CONE_TAN = Math.tan(Math.PI / 6);

/**
 * A bolt and the printed part under its head as two springs in line: movement per newton of the bolt, and movement × modulus
 * per newton of the print (the cone of pressure under the head, taken as a cylinder of its mean diameter).
 * Source: Shigley, 10th ed., sections 8-4 and 8-5. @throws InputError a size not above 0; a head no larger than the hole
 */
export function boltedJoint(joint: {
  boltDiameterMm: number;
  holeDiameterMm: number;
  headDiameterMm: number;
  thicknessMm: number;
  edgeDistanceMm: number;
}): { boltMmPerN: number; printMm: number; bearingMm2: number } {
  requirePositive(joint, ['boltDiameterMm', 'holeDiameterMm', 'headDiameterMm', 'thicknessMm', 'edgeDistanceMm']);
  const { boltDiameterMm: d, holeDiameterMm: hole, headDiameterMm: head, thicknessMm: t } = joint;
  if (head <= hole) throw new InputError('headDiameterMm', head, `more than the hole, ${hole} mm, is needed`);
  if (hole < d) throw new InputError('holeDiameterMm', hole, `at least the bolt, ${d} mm, is needed`);
  const coneMm = Math.min(head + t * CONE_TAN, Math.max(head, 2 * joint.edgeDistanceMm));
  const area = (outer: number) => (Math.PI / 4) * (outer ** 2 - hole ** 2);
  return {
    boltMmPerN: (t + d) / (STEEL_MODULUS_MPA * THREAD_AREA_SHARE * (Math.PI / 4) * d ** 2),
    printMm: t / area(coneMm),
    bearingMm2: area(head),
  };
}

/** A flange under a bolt's head: crushed at once, or slack after a while, because what creeps is the print alone. */
export const boltedFlange: PartModel<'bolted-flange'> = {
  id: 'bolted-flange',
  title: 'Bolted flange',
  does: 'is bolted down',
  examples: 'mounting foot, flange, lid screwed into inserts',
  axes: { length: 'along the flange', depth: 'along the bolt', width: 'across the flange' },
  takes: () => ({ held: 'forceN', short: 'forceN', repeated: 'forceN' }),
  start: {
    model: 'bolted-flange',
    boltDiameterMm: 5,
    holeDiameterMm: 5.5,
    headDiameterMm: 10,
    thicknessMm: 8,
    edgeDistanceMm: 10,
  },
  freeDimension: '/headDiameterMm',
  body(geometry) {
    const joint = boltedJoint(geometry);
    const { thicknessMm, edgeDistanceMm, headDiameterMm } = geometry;
    const sideMm = 2 * edgeDistanceMm;
    return {
      volumeMm3: (sideMm ** 2 - (Math.PI / 4) * geometry.holeDiameterMm ** 2) * thicknessMm,
      extentMm: { length: sideMm, depth: thicknessMm, width: sideMm },
      action: 'force',
      holdNPerUnit: 1,
      movement: { title: 'Joint compliance', unit: 'mm' },
      thinnestMm: thicknessMm,
      responses: {
        depth: response({
          tearAreaMm2: Math.PI * headDiameterMm * thicknessMm,
          seriesPerUnit: joint.boltMmPerN,
          places: [
            place({
              id: 'under-head',
              title: 'Under the head',
              direction: ALONG.depth,
              compressionPerUnit: 1 / joint.bearingMm2,
              lines: [
                {
                  symbol: 'σb',
                  meaning: 'Pressure under the head',
                  value: 1 / joint.bearingMm2,
                  perUnit: true,
                  unit: 'MPa',
                  formula: say`F / ${mm2(joint.bearingMm2)}`,
                  source: 'VDI 2230: pressure under the head',
                },
              ],
            }),
            ...(geometry.insert ? [insertPlace(geometry.insert)] : []),
          ],
          complianceTerms: [
            {
              title: 'Squeeze of the print under the head',
              direction: ALONG.depth,
              perModulus: joint.printMm,
              formula: say`F · ${f(joint.printMm)} /mm / E`,
              source: 'pressure cone of 30°, Shigley, 10th ed., section 8-5',
            },
          ],
        }),
      },
    };
  },
};

function insertPlace(insert: NonNullable<GeometryOf<'bolted-flange'>['insert']>): StressPlace {
  requirePositive(insert, ['diameterMm', 'lengthMm']);
  const areaMm2 = Math.PI * insert.diameterMm * insert.lengthMm;
  return place({
    id: 'insert',
    title: 'Round the insert, sheared',
    direction: ALONG.depth,
    shearPerUnit: 1 / areaMm2,
    shearPlanes: ['depth', 'length', 'width'],
    lines: [
      {
        symbol: 'τ',
        meaning: 'Shear on the skin of the insert',
        value: 1 / areaMm2,
        perUnit: true,
        unit: 'MPa',
        formula: say`F / (π · ${bare(mm(insert.diameterMm))} · ${bare(mm(insert.lengthMm))})`,
        source: 'pull-out on the full skin',
      },
    ],
  });
}
