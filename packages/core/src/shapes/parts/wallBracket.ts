import type { GeometryOf } from '@anvilstone/schema';
import { filletConcentration } from '../sections/filletConcentration.ts';
import { formatNumber as f, say, mm, mm2, bare } from '@anvilstone/core/foundations';
import { bracketFrame, type FrameAnswer, type FrameBar, type MemberAnswer } from './bracketFrame.ts';
import { SMALL_SHARE, type PartModel, type StressPlace, type ComplianceTerm } from './partModel.ts';
import { ALONG, type Direction } from './direction.ts';
import { place, response } from './pieces.ts';
import { barBuckling } from './strut.ts';

/** A tie and a strut: what gives first is the strut bowing out, or the tie's root peeling off the wall plate. */
export const wallBracket: PartModel<'wall-bracket'> = {
  id: 'wall-bracket',
  title: 'Two-member bracket',
  does: 'holds a load off a wall with a tie and a strut',
  examples: 'nozzle bracket, pipe stand-off, sensor bracket',
  axes: { length: 'out from the wall', depth: 'down the wall', width: 'sideways' },
  takes: () => ({ lasting: 'forceN', short: 'forceN', repeated: 'forceN', knock: 'knock' }),
  start: {
    model: 'wall-bracket',
    reachMm: 120,
    dropMm: 90,
    tie: { depthMm: 8, widthMm: 16 },
    strut: { depthMm: 8, widthMm: 16 },
    filletRadiusMm: 3,
  },
  freeDimension: '/strut',
  bends: true,
  body(geometry) {
    const frame = bracketFrame({ ...geometry, beyondMm: beyondOf(geometry) });
    const { tie, strut } = frame;
    const alongStrut: Direction = [geometry.reachMm / strut.lengthMm, geometry.dropMm / strut.lengthMm, 0];
    return {
      volumeMm3: tie.areaMm2 * geometry.reachMm + strut.areaMm2 * strut.lengthMm,
      extentMm: {
        length: geometry.reachMm,
        depth: geometry.dropMm,
        width: Math.max(geometry.tie.widthMm, geometry.strut.widthMm),
      },
      action: 'force',
      movement: { title: 'Deflection at the load', unit: 'mm' },
      movementRangeMm: SMALL_SHARE * geometry.reachMm,
      thinnestMm: Math.min(...[geometry.tie, geometry.strut].flatMap((bar) => [bar.depthMm, bar.widthMm])),
      responses: {
        depth: response({
          tearAreaMm2: tie.areaMm2,
          places: [tieEnd(geometry, frame, 'root'), tieEnd(geometry, frame, 'joint'), squeezedStrut(geometry, frame)],
          complianceTerms: [...drops('tie', tie, ALONG.length, frame.endDrop), ...drops('strut', strut, alongStrut, 0)],
          buckling: [
            barBuckling({
              id: 'strut-bows',
              title: 'Strut buckles',
              direction: alongStrut,
              lengthMm: strut.lengthMm,
              // Printed in one piece with wall and tie: better than pinned, less than clamped.
              effectiveLengthFactor: 0.8,
              weakSecondMomentMm4: weakSecondMomentMm4(geometry.strut),
              areaMm2: strut.areaMm2,
              forcePerUnit: strut.forcePerN,
            }),
          ],
        }),
      },
    };
  },
};

const weakSecondMomentMm4 = ({ depthMm, widthMm }: FrameBar): number =>
  (Math.max(depthMm, widthMm) * Math.min(depthMm, widthMm) ** 3) / 12;

/** A hook or a hole needs about the depth of the tie beyond the point that the members point to. */
const beyondOf = ({ beyondJointMm, tie }: GeometryOf<'wall-bracket'>): number => beyondJointMm ?? tie.depthMm;

/** What one member lets the load drop by. */
function drops(name: 'tie' | 'strut', member: MemberAnswer, direction: Direction, endDrop: number): ComplianceTerm[] {
  const { forcePerN, lengthMm, areaMm2 } = member;
  return [
    {
      title: name === 'tie' ? 'Stretch of the tie' : 'Shortening of the strut',
      direction,
      perModulus: member.axialDrop,
      formula: say`F · ${f(forcePerN)}² · ${bare(mm(lengthMm))} / (E · ${bare(mm2(areaMm2))})`,
      source: 'Castigliano, Σ n²·L/(A·E)',
    },
    {
      title: name === 'tie' ? 'Bending of the tie, its root and its end' : 'Bending of the strut and its root',
      direction,
      perModulus: member.bendingDrop + member.rootDrop + endDrop,
      formula: say`∫M²/(E·I) of ${mm(member.rootMomentPerN)} · F at the wall and ${mm(member.jointMomentPerN)} · F at the joint`,
      source: 'Castigliano; turn of the root: O’Donnell, J. Appl. Mech. 27 (1960) 461',
    },
  ];
}

/** The tie is pulled and, because it is printed in one piece with wall and strut, bent: its outer fibre peels. */
function tieEnd(geometry: GeometryOf<'wall-bracket'>, { tie }: FrameAnswer, end: 'root' | 'joint'): StressPlace {
  const { depthMm, widthMm } = geometry.tie;
  const { filletRadiusMm } = geometry;
  const beyondMm = beyondOf(geometry);
  const moment = end === 'root' ? tie.rootMomentPerN : tie.jointMomentPerN;
  const pulled = tie.forcePerN / tie.areaMm2;
  const bent = (6 * moment) / (widthMm * depthMm ** 2);
  const concentration = filletConcentration({ filletRadiusMm, depthMm, notch: 'flat', load: 'pull' });
  return place({
    id: `tie-${end}`,
    title:
      end === 'root' ? 'Upper fibre at the root of the tie: peel' : 'Outer fibre of the tie where the strut joins it',
    direction: ALONG.length,
    tensionPerUnit: concentration * (pulled + bent),
    concentration,
    lines: [
      {
        symbol: 'T',
        meaning: 'Tension in the tie',
        value: tie.forcePerN,
        perUnit: true,
        unit: 'N',
        formula: say`nearly F · (${bare(mm(geometry.reachMm))} + ${bare(mm(beyondMm))}) / ${bare(mm(geometry.dropMm))}`,
        source: 'rigid-jointed frame: Weaver & Gere, ch. 4',
      },
      {
        symbol: 'M',
        meaning: end === 'root' ? 'Bending of the tie at the wall' : 'Bending of the tie at the joint',
        value: moment,
        perUnit: true,
        unit: 'N·mm',
        formula: say`the load hangs ${mm(beyondMm)} beyond the joint, which turns, and drops`,
        source: 'rigid-jointed frame: Weaver & Gere, ch. 4',
      },
      {
        symbol: 'σt',
        meaning: 'Mean tension in the tie',
        value: pulled,
        perUnit: true,
        unit: 'MPa',
        formula: say`T / ${mm2(tie.areaMm2)}`,
      },
      {
        symbol: 'σb',
        meaning: 'Bending stress',
        value: bent,
        perUnit: true,
        unit: 'MPa',
        formula: say`6 · M / (${bare(mm(widthMm))} · ${bare(mm(depthMm))}²)`,
      },
      {
        symbol: 'Kt',
        meaning: 'Stress concentration of the fillet',
        value: concentration,
        unit: '×',
        formula: say`r/d = ${bare(mm(filletRadiusMm))} / ${bare(mm(depthMm))}`,
        source: 'Peterson’s charts, fit in Norton, Machine Design, app. C',
      },
      {
        symbol: 'σ',
        meaning: 'Largest tension there',
        value: concentration * (pulled + bent),
        perUnit: true,
        unit: 'MPa',
        formula: 'Kt · (σt + σb)',
      },
    ],
  });
}

/** Squeezed along its length and bent at its ends, at the worse of which one side is squeezed most. */
function squeezedStrut(geometry: GeometryOf<'wall-bracket'>, { strut }: FrameAnswer): StressPlace {
  const { depthMm, widthMm } = geometry.strut;
  const moment = Math.max(strut.rootMomentPerN, strut.jointMomentPerN);
  const squeezed = strut.forcePerN / strut.areaMm2;
  const bent = (6 * moment) / (widthMm * depthMm ** 2);
  return place({
    id: 'strut',
    title: 'Strut in compression',
    direction: [geometry.reachMm / strut.lengthMm, geometry.dropMm / strut.lengthMm, 0],
    compressionPerUnit: squeezed + bent,
    tensionPerUnit: Math.max(0, bent - squeezed),
    lines: [
      {
        symbol: 'C',
        meaning: 'Compression in the strut',
        value: strut.forcePerN,
        perUnit: true,
        unit: 'N',
        formula: `nearly T / cos θ, θ = ${f((Math.atan2(geometry.dropMm, geometry.reachMm) * 180) / Math.PI)}°`,
        source: 'rigid-jointed frame: Weaver & Gere, ch. 4',
      },
      {
        symbol: 'M',
        meaning: 'Bending of the strut at its worse end',
        value: moment,
        perUnit: true,
        unit: 'N·mm',
      },
      {
        symbol: 'σ',
        meaning: 'Largest compression',
        value: squeezed + bent,
        perUnit: true,
        unit: 'MPa',
        formula: say`C / ${mm2(strut.areaMm2)} + 6 · M / (${bare(mm(widthMm))} · ${bare(mm(depthMm))}²)`,
      },
    ],
  });
}
