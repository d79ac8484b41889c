import {
  InputError,
  requirePositive,
  requireWithin,
  formatNumber as f,
  say,
  mm,
  bare,
} from '@anvilstone/core/foundations';
import { type PartModel } from './partModel.ts';
import { ALONG } from './direction.ts';
import { place, response } from './pieces.ts';

// Lewis form factor Y of a full-depth 20° tooth: Shigley's Mechanical Engineering Design, 10th ed., table 14-2.
const TEETH = [12, 13, 14, 15, 16, 17, 18, 19, 20, 21, 22, 24, 26, 28, 30, 34, 38, 43, 50, 60, 75, 100, 150, 300, 400];
const FORM = [
  0.245, 0.261, 0.277, 0.29, 0.296, 0.303, 0.309, 0.314, 0.322, 0.328, 0.331, 0.337, 0.346, 0.353, 0.359, 0.371, 0.384,
  0.397, 0.409, 0.422, 0.435, 0.447, 0.46, 0.472, 0.48,
];

/** Lewis form factor of a full-depth 20° spur tooth, straight between the rows of the table. @throws InputError outside 12 … 400 teeth */
export function lewisFormFactor(teeth: number): number {
  requireWithin('teeth', teeth, 12, 400);
  const i = TEETH.findIndex((one) => one >= teeth);
  if (i === 0) return FORM[0]!;
  const share = (teeth - TEETH[i - 1]!) / (TEETH[i]! - TEETH[i - 1]!);
  return FORM[i - 1]! + share * (FORM[i]! - FORM[i - 1]!);
}

/**
 * Root stress of a spur gear tooth per torque, MPa per N·mm: W/(b·m·Y) with W = 2·T/(m·z), the whole load on one tooth.
 * Source: Lewis, Shigley, 10th ed., section 14-1. Without the velocity factor, which `velocityFactor` tells.
 * @throws InputError module or width not above 0; teeth outside 12 … 400
 */
export function lewisStressPerTorque(gear: { moduleMm: number; teeth: number; faceWidthMm: number }): number {
  requirePositive(gear, ['moduleMm', 'teeth', 'faceWidthMm']);
  return 2 / (gear.moduleMm ** 2 * gear.teeth * gear.faceWidthMm * lewisFormFactor(gear.teeth));
}

/** Pitch-line speed up to which Barth’s factor is usual, m/s. */
const FASTEST_M_PER_S = 20;

/**
 * By how much the load on a tooth grows with speed, (6.1 + V)/6.1 with the pitch-line speed V in m/s: Barth for cut teeth, Shigley, 10th
 * ed., eq. 14-4b. Layer steps are no better than a cutter's. Range: to 20 m/s. @throws InputError speed below 0; faster
 */
export function velocityFactor(gear: { moduleMm: number; teeth: number; speedRpm: number }): number {
  const speedMPerS = (Math.PI * gear.moduleMm * gear.teeth * gear.speedRpm) / 60_000;
  if (!(speedMPerS >= 0 && speedMPerS <= FASTEST_M_PER_S))
    throw new InputError('speedRpm', gear.speedRpm, `a pitch line of 0 to ${FASTEST_M_PER_S} m/s is needed`);
  return (6.1 + speedMPerS) / 6.1;
}

/**
 * Tooth deflection under its load × width × modulus over the load: half of a mesh of equal gears of 14 N/(mm·µm) in steel (ISO 6336-1,
 * single stiffness c′). The mate is taken to be stiff. Typical of full-depth teeth, class D.
 */
const TOOTH_GIVE = 7.4;
/** Of the module: usual backlash of printed gears. A tooth that gives more leaves its mesh. */
const GIVE_SHARE = 0.1;

/**
 * Mean contact pressure on a tooth per torque, MPa per N·mm, taken over a strip one module high, and the largest sliding
 * speed, m/s, one module off the pitch point. Own simplification, for a pv value only: see docs/model.md.
 */
export function toothSliding(gear: {
  moduleMm: number;
  teeth: number;
  mateTeeth: number;
  faceWidthMm: number;
  speedRpm: number;
}): { pressurePerUnit: number; speedMPerS: number } {
  const turnsPerS = gear.speedRpm / 60;
  return {
    pressurePerUnit: 2 / (gear.moduleMm * gear.teeth) / (gear.faceWidthMm * gear.moduleMm),
    speedMPerS: (2 * Math.PI * turnsPerS * (1 + gear.teeth / gear.mateTeeth) * gear.moduleMm) / 1000,
  };
}

/** A spur gear, judged at the root of one tooth and at its sliding flanks. */
export const gearTooth: PartModel<'gear-tooth'> = {
  id: 'gear-tooth',
  title: 'Gear tooth',
  does: 'drives with teeth that rub',
  examples: 'hand winch gear, drive pinion, ratchet wheel',
  axes: { length: 'across the gear', depth: 'along its axis', width: 'across the gear, turned by a quarter' },
  takes: () => ({ lasting: 'torqueNmm', short: 'torqueNmm', repeated: 'torqueNmm' }),
  start: { model: 'gear-tooth', moduleMm: 2, teeth: 24, mateTeeth: 48, faceWidthMm: 14, speedRpm: 60 },
  freeDimension: '/faceWidthMm',
  bends: true,
  body(geometry) {
    const { moduleMm, teeth, faceWidthMm } = geometry;
    const kv = velocityFactor(geometry);
    const stress = kv * lewisStressPerTorque(geometry);
    const give = (TOOTH_GIVE * 2) / (moduleMm * teeth) / faceWidthMm;
    const outsideMm = moduleMm * (teeth + 2);
    const sliding = toothSliding(geometry);
    return {
      volumeMm3: (Math.PI / 4) * (moduleMm * teeth) ** 2 * faceWidthMm,
      extentMm: { length: outsideMm, depth: faceWidthMm, width: outsideMm },
      action: 'torque',
      movement: { title: 'Tooth deflection', unit: 'mm' },
      movementRangeMm: GIVE_SHARE * moduleMm,
      movementRangeOf: 'a tenth of the module, its usual backlash',
      thinnestMm: Math.min(faceWidthMm, (Math.PI / 2) * moduleMm),
      sliding: {
        ...sliding,
        running: geometry.running,
        formula: say`2·T/(${bare(mm(moduleMm))}·${f(teeth)}) over ${mm(faceWidthMm)} × one module, ${f(geometry.speedRpm)} rev/min`,
      },
      responses: {
        depth: response({
          tearAreaMm2: (Math.PI / 2) * moduleMm * faceWidthMm,
          places: (['length', 'width'] as const).map((axis) =>
            place({
              id: `root-${axis}`,
              title: axis === 'length' ? 'Root of a tooth' : 'Root of a tooth a quarter turn on',
              direction: ALONG[axis],
              tensionPerUnit: stress,
              compressionPerUnit: stress,
              lines: [
                {
                  symbol: 'W',
                  meaning: 'Load on the tooth',
                  value: 2 / (moduleMm * teeth),
                  perUnit: true,
                  unit: 'N',
                  formula: say`2 · T / (${bare(mm(moduleMm))} · ${f(teeth)})`,
                },
                {
                  symbol: 'Kv',
                  meaning: 'Velocity factor',
                  value: kv,
                  unit: '×',
                  source: 'Barth: Shigley, 10th ed., eq. 14-4b',
                },
                {
                  symbol: 'Y',
                  meaning: 'Lewis form factor',
                  value: lewisFormFactor(teeth),
                  unit: '×',
                  source: 'Shigley, 10th ed., table 14-2',
                },
                {
                  symbol: 'σ',
                  meaning: 'Bending stress at the root',
                  value: stress,
                  perUnit: true,
                  unit: 'MPa',
                  formula: say`Kv · W / (${bare(mm(faceWidthMm))} · ${bare(mm(moduleMm))} · Y)`,
                  source: 'Lewis, Shigley, 10th ed., section 14-1',
                },
              ],
            }),
          ),
          complianceTerms: [
            {
              title: 'Tooth deflection',
              direction: ALONG.length,
              perModulus: give,
              formula: say`${TOOTH_GIVE} · W / (${mm(faceWidthMm)} · E)`,
              source: 'single stiffness of ISO 6336-1, carried over to the modulus of the print',
            },
          ],
        }),
      },
    };
  },
};
