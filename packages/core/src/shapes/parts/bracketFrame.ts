import { requireFinite, requirePositive } from '@anvilstone/core/foundations';

/**
 * Turn of a bar's root in a wall of its own material: θ = ROOT_TURN·M/(E·b·d²), dimensionless.
 * Source: W. J. O'Donnell, Trans. ASME, J. Appl. Mech. 27 (1960) 461: 16.67/π for a bar on a half-space in plane stress.
 */
export const ROOT_TURN = 16.67 / Math.PI;

/** A solid rectangular bar; its depth lies in the plane of the frame. */
export interface FrameBar {
  depthMm: number;
  widthMm: number;
}

export interface FrameInput {
  /** From the wall to where the members' centre lines meet, mm. */
  reachMm: number;
  /** Along the wall, mm. */
  dropMm: number;
  tie: FrameBar;
  strut: FrameBar;
  /** From that point on to the load, mm; 0: it pulls right there. */
  beyondMm: number;
}

/** What one member has in it per newton of load, and what each lets the load drop by, mm·MPa per N. */
export interface MemberAnswer {
  lengthMm: number;
  areaMm2: number;
  /** N per N: a pull in the tie, a squeeze in the strut. */
  forcePerN: number;
  /** Bending moments at the wall and at the joint, N·mm per N, without sign. */
  rootMomentPerN: number;
  jointMomentPerN: number;
  /** δ·E/F by its change of length, by its bending, and by the turn of its root in the wall. */
  axialDrop: number;
  bendingDrop: number;
  rootDrop: number;
}

export interface FrameAnswer {
  tie: MemberAnswer;
  strut: MemberAnswer;
  /** δ·E/F of the load, of all parts together. */
  dropPerModulus: number;
  /** Of the end beyond the joint alone. */
  endDrop: number;
}

/** Stiffness against push across and turn at the joint, the root held by a spring of its own. Unit modulus. */
interface BarStiffness {
  along: number;
  across: number;
  acrossTurn: number;
  turn: number;
  /** End slope at the root per push across and per turn at the joint. */
  rootByAcross: number;
  rootByTurn: number;
  rootSpring: number;
  bend: number;
  lengthMm: number;
}

function stiffness({ depthMm, widthMm }: FrameBar, lengthMm: number): BarStiffness {
  const bend = (widthMm * depthMm ** 3) / 12 / lengthMm;
  const rootSpring = (widthMm * depthMm ** 2) / ROOT_TURN;
  const held = 4 * bend + rootSpring;
  return {
    along: (depthMm * widthMm) / lengthMm,
    across: (12 * bend - (36 * bend ** 2) / held) / lengthMm ** 2,
    acrossTurn: (-6 * bend + (12 * bend ** 2) / held) / lengthMm,
    turn: 4 * bend - (4 * bend ** 2) / held,
    rootByAcross: (6 * bend) / lengthMm / held,
    rootByTurn: (-2 * bend) / held,
    rootSpring,
    bend,
    lengthMm,
  };
}

/**
 * A tie and a strut of one printed piece: a frame whose joint turns, whose members bend and whose roots give in the wall; the load hangs
 * beyond the joint and turns it. Direct stiffness method (Weaver & Gere, Matrix Analysis of Framed Structures, ch. 4), one modulus
 * throughout; the drop by Castigliano's theorem, member by member, so that each may take the modulus of its own direction.
 * Range: small movements; a strut well below its buckling load. Members so thin that they do not bend make a pinned
 * frame: T = F·reach/drop, C = T/cos θ.
 * @throws InputError a length not finite and above 0, `beyondMm` below 0
 */
export function bracketFrame(input: FrameInput): FrameAnswer {
  requirePositive(input, ['reachMm', 'dropMm']);
  requirePositive(input.tie, ['depthMm', 'widthMm']);
  requirePositive(input.strut, ['depthMm', 'widthMm']);
  requireFinite(input, ['beyondMm']);
  if (input.beyondMm < 0) requirePositive(input, ['beyondMm']);
  const { reachMm, dropMm, beyondMm } = input;
  const strutMm = Math.hypot(reachMm, dropMm);
  const [cos, sin] = [reachMm / strutMm, dropMm / strutMm];
  const tie = stiffness(input.tie, reachMm);
  const strut = stiffness(input.strut, strutMm);
  // Out from the wall, up, and turned to the left; across a strut that leans out is (−sin, cos).
  const [out, up, turn] = solve3(
    [
      tie.along + strut.along * cos ** 2 + strut.across * sin ** 2,
      (strut.along - strut.across) * cos * sin,
      -strut.acrossTurn * sin,
    ],
    [tie.across + strut.along * sin ** 2 + strut.across * cos ** 2, tie.acrossTurn + strut.acrossTurn * cos],
    tie.turn + strut.turn,
    [0, -1, -beyondMm],
  );
  const tieAnswer = member(input.tie, tie, out, up, turn);
  const strutAnswer = member(input.strut, strut, out * cos + up * sin, -out * sin + up * cos, turn);
  const endDrop = beyondMm ** 3 / (3 * ((input.tie.widthMm * input.tie.depthMm ** 3) / 12));
  const sum = (one: MemberAnswer) => one.axialDrop + one.bendingDrop + one.rootDrop;
  return {
    tie: tieAnswer,
    strut: strutAnswer,
    dropPerModulus: sum(tieAnswer) + sum(strutAnswer) + endDrop,
    endDrop,
  };
}

/** From how the joint moves to what a member has in it; its share of the drop is twice the energy in it. */
function member(bar: FrameBar, stiff: BarStiffness, along: number, across: number, turn: number): MemberAnswer {
  const { lengthMm, bend, rootSpring } = stiff;
  const areaMm2 = bar.depthMm * bar.widthMm;
  const rootTurn = stiff.rootByAcross * across + stiff.rootByTurn * turn;
  const atRoot = bend * (4 * rootTurn + 2 * turn - (6 * across) / lengthMm);
  const atJoint = bend * (2 * rootTurn + 4 * turn - (6 * across) / lengthMm);
  const force = stiff.along * along;
  return {
    lengthMm,
    areaMm2,
    forcePerN: Math.abs(force),
    rootMomentPerN: Math.abs(atRoot),
    jointMomentPerN: Math.abs(atJoint),
    axialDrop: force ** 2 / stiff.along,
    // The moment runs straight from −M at the root to M at the joint: ∫M²/(E·I).
    bendingDrop: (atRoot ** 2 - atRoot * atJoint + atJoint ** 2) / (3 * bend),
    rootDrop: rootSpring * rootTurn ** 2,
  };
}

/** Solves a symmetric system of three by Cramer's rule; `first` is a row, `second` the rest of the next, then the last corner. */
function solve3(
  [a, b, c]: readonly [number, number, number],
  [d, e]: readonly [number, number],
  g: number,
  [x, y, z]: readonly [number, number, number],
): readonly [number, number, number] {
  const whole = a * (d * g - e * e) - b * (b * g - e * c) + c * (b * e - d * c);
  return [
    (x * (d * g - e * e) - b * (y * g - e * z) + c * (y * e - d * z)) / whole,
    (a * (y * g - e * z) - x * (b * g - e * c) + c * (b * z - y * c)) / whole,
    (a * (d * z - y * e) - b * (b * z - y * c) + x * (b * e - d * c)) / whole,
  ];
}
