import { apply, stressInPly, turnedExpansion, type Row3 } from './lamina.ts';
import { deformationOf, type Deformation, type Laminate, type LaminateLoad } from './laminate.ts';

/** Stress of one ply at one of its faces, in its own axes, MPa. */
export interface PlyStress {
  /** From below, from 0. */
  ply: number;
  face: 'lower' | 'upper';
  zMm: number;
  sigma1MPa: number;
  sigma2MPa: number;
  tau12MPa: number;
}

/** Stresses at both faces of every ply, those of a change of temperature included. Source: Jones, eq. 4.16. */
export function plyStresses(
  laminate: Laminate,
  load: LaminateLoad,
  deformation: Deformation = deformationOf(laminate, load),
): PlyStress[] {
  const { plies, stiffness, zMm } = laminate;
  return plies.flatMap(({ lamina, angleDeg }, ply) => {
    const free = turnedExpansion(lamina, angleDeg).map((alpha) => alpha * load.deltaTK) as unknown as Row3;
    return (['lower', 'upper'] as const).map((face): PlyStress => {
      const z = zMm[ply + (face === 'upper' ? 1 : 0)]!;
      const strain = deformation.strain.map(
        (value, k) => value + z * deformation.curvature[k]! - free[k]!,
      ) as unknown as Row3;
      const [sigma1MPa, sigma2MPa, tau12MPa] = stressInPly(apply(stiffness[ply]!, strain), angleDeg);
      return { ply, face, zMm: z, sigma1MPa, sigma2MPa, tau12MPa };
    });
  });
}
