import type { Lamina } from './lamina.ts';

export const FAILURE_CRITERIA = ['maximum-stress', 'tsai-hill', 'tsai-wu'] as const;
export type FailureCriterion = (typeof FAILURE_CRITERIA)[number];

export const CRITERION_WORDS: Record<FailureCriterion, string> = {
  'maximum-stress': 'Maximum stress',
  'tsai-hill': 'Tsai–Hill',
  'tsai-wu': 'Tsai–Wu',
};

/** How a ply gives way first, by the largest share of its strengths. */
export type FailureMode = 'fibre-tension' | 'fibre-compression' | 'matrix-tension' | 'matrix-compression' | 'shear';

export interface Stress12 {
  sigma1MPa: number;
  sigma2MPa: number;
  tau12MPa: number;
}

/** Of an isotropic material that yields by von Mises; Jones, section 2.9.4. */
const USUAL_INTERACTION = -0.5;

/** A part of the stress that stays whatever the load is, as after cooling. */
const NOTHING: Stress12 = { sigma1MPa: 0, sigma2MPa: 0, tau12MPa: 0 };

/**
 * By how much the load may grow until the ply fails: the reserve of the ply. `still` is the stress that does not grow with it.
 * Maximum stress: the smallest of the single reserves. Tsai–Hill: Jones, eq. 2.118, with the strength of the sign of each
 * stress. Tsai–Wu: Jones, eq. 2.138, with F12 = f·√(F11·F22), f the lamina’s
 * interaction, −½ unless stated. Infinity: the load does not stress it. Below 0 never: what
 * fails before any load has 0.
 */
export function strengthRatio(
  criterion: FailureCriterion,
  lamina: Lamina,
  stress: Stress12,
  still: Stress12 = NOTHING,
): number {
  switch (criterion) {
    case 'maximum-stress':
      return maximumStress(lamina, stress, still);
    case 'tsai-hill':
      return tsaiHill(lamina, stress, still);
    case 'tsai-wu':
      return tsaiWu(lamina, stress, still);
  }
}

function maximumStress(lamina: Lamina, stress: Stress12, still: Stress12): number {
  const alone = (grows: number, stays: number, plus: number, minus: number) => {
    if (stays > plus || stays < -minus) return 0;
    if (grows > 0) return (plus - stays) / grows;
    return grows < 0 ? (-minus - stays) / grows : Infinity;
  };
  return Math.min(
    alone(stress.sigma1MPa, still.sigma1MPa, lamina.xtMPa, lamina.xcMPa),
    alone(stress.sigma2MPa, still.sigma2MPa, lamina.ytMPa, lamina.ycMPa),
    alone(stress.tau12MPa, still.tau12MPa, lamina.sMPa, lamina.sMPa),
  );
}

/** The strengths depend on the signs at failure: they are settled by trying, from those of the load itself. */
function tsaiHill(lamina: Lamina, stress: Stress12, still: Stress12): number {
  let ratio = 1;
  for (let i = 0; i < 4; i++) {
    const at = combined(stress, still, ratio);
    const x = at.sigma1MPa >= 0 ? lamina.xtMPa : lamina.xcMPa;
    const y = at.sigma2MPa >= 0 ? lamina.ytMPa : lamina.ycMPa;
    const s = lamina.sMPa;
    const form = (a: Stress12, b: Stress12) =>
      (a.sigma1MPa * b.sigma1MPa) / x ** 2 -
      (a.sigma1MPa * b.sigma2MPa + a.sigma2MPa * b.sigma1MPa) / (2 * x ** 2) +
      (a.sigma2MPa * b.sigma2MPa) / y ** 2 +
      (a.tau12MPa * b.tau12MPa) / s ** 2;
    const next = positiveRoot(form(stress, stress), 2 * form(stress, still), form(still, still) - 1);
    if (!Number.isFinite(next) || Math.abs(next - ratio) < 1e-12 * ratio) return next;
    ratio = next;
  }
  return ratio;
}

function tsaiWu(lamina: Lamina, stress: Stress12, still: Stress12): number {
  const { xtMPa: xt, xcMPa: xc, ytMPa: yt, ycMPa: yc, sMPa: s } = lamina;
  const [f1, f2] = [1 / xt - 1 / xc, 1 / yt - 1 / yc];
  const [f11, f22, f66] = [1 / (xt * xc), 1 / (yt * yc), 1 / s ** 2];
  const f12 = (lamina.interaction ?? USUAL_INTERACTION) * Math.sqrt(f11 * f22);
  const quadratic = (a: Stress12, b: Stress12) =>
    f11 * a.sigma1MPa * b.sigma1MPa +
    f22 * a.sigma2MPa * b.sigma2MPa +
    f66 * a.tau12MPa * b.tau12MPa +
    f12 * (a.sigma1MPa * b.sigma2MPa + a.sigma2MPa * b.sigma1MPa);
  const linear = (a: Stress12) => f1 * a.sigma1MPa + f2 * a.sigma2MPa;
  return positiveRoot(
    quadratic(stress, stress),
    linear(stress) + 2 * quadratic(stress, still),
    quadratic(still, still) + linear(still) - 1,
  );
}

const combined = (stress: Stress12, still: Stress12, ratio: number): Stress12 => ({
  sigma1MPa: stress.sigma1MPa * ratio + still.sigma1MPa,
  sigma2MPa: stress.sigma2MPa * ratio + still.sigma2MPa,
  tau12MPa: stress.tau12MPa * ratio + still.tau12MPa,
});

/** Of a·R² + b·R + c = 0 the positive root; c above 0 means that it has failed already. */
function positiveRoot(a: number, b: number, c: number): number {
  if (c >= 0) return 0;
  if (a <= 0) return b > 0 ? -c / b : Infinity;
  // Written so that nothing cancels when b is large.
  const root = Math.sqrt(b * b - 4 * a * c);
  return b > 0 ? (-2 * c) / (b + root) : (root - b) / (2 * a);
}

/** Which strength a stress comes closest to. */
export function modeOf(lamina: Lamina, { sigma1MPa: s1, sigma2MPa: s2, tau12MPa: t }: Stress12): FailureMode {
  const shares: [FailureMode, number][] = [
    s1 >= 0 ? ['fibre-tension', s1 / lamina.xtMPa] : ['fibre-compression', -s1 / lamina.xcMPa],
    s2 >= 0 ? ['matrix-tension', s2 / lamina.ytMPa] : ['matrix-compression', -s2 / lamina.ycMPa],
    ['shear', Math.abs(t) / lamina.sMPa],
  ];
  return shares.reduce((a, b) => (b[1] > a[1] ? b : a))[0];
}
