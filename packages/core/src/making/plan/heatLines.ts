import { formatNumber as f, say, celsius } from '@anvilstone/core/foundations';
import type { CardLine } from './cardLine.ts';
import type { CardSetting } from './cardSetting.ts';

/** Nozzle, bed, chamber, fan and the slope that holds itself. */
export const heatLines = (setting: CardSetting): CardLine[] => [
  nozzleLine(setting),
  bedLine(setting),
  chamberLine(setting),
  fanLine(setting),
  slopeLine(setting),
];

function nozzleLine({ brief, grade, family, machine, rules, needs }: CardSetting): CardLine {
  const stated = grade.process.nozzleC;
  const { low, high } = stated ?? family.nozzleC;
  const caps: readonly (readonly [limitC: number, why: string])[] = [
    [machine.maximumNozzleC, 'the machine reaches no more'],
    ...(machine.hotEndLining === 'ptfe'
      ? [[rules.ptfeLimitC, 'its hot end is PTFE-lined and gives off toxic fumes above that'] as const]
      : []),
    ...(machine.sensorLimitC === undefined
      ? []
      : [[machine.sensorLimitC, 'its sensor can be trusted no farther'] as const]),
  ];
  const [capC, why] = caps.reduce((least, one) => (one[0] < least[0] ? one : least));
  const from = stated ? 'grade' : 'family';
  if (brief.foamNozzleC !== undefined && (grade.process.foaming ?? family.foaming))
    return {
      id: 'nozzle',
      title: 'Nozzle temperature',
      value: say`${celsius(brief.foamNozzleC)}`,
      why: 'Sets the foam: another temperature makes another density and hardness',
      from: 'brief',
      mind: true,
    };
  if (low > capC)
    return {
      id: 'nozzle',
      title: 'Nozzle temperature',
      value: say`not available: ${celsius(low)} needed`,
      why: say`${celsius(capC)} at most: ${why}`,
      from: 'machine',
      mind: true,
    };
  const top = Math.min(high, capC);
  return {
    id: 'nozzle',
    title: 'Nozzle temperature',
    value:
      low === top
        ? say`${celsius(low)}`
        : say`${celsius(low)} to ${celsius(top)}, start at ${celsius(Math.min(top, needs.nozzleC.mid))}`,
    why:
      top < high
        ? say`Held at ${celsius(capC)}: ${why}. Hotter would bond the layers better`
        : 'Hotter bonds the layers better and strings more',
    from: top < high ? 'machine' : from,
    ...(top < high ? { mind: true as const } : {}),
  };
}

function bedLine({ grade, family, machine }: CardSetting): CardLine {
  const stated = grade.process.bedC;
  const { low, high } = stated ?? family.bedC;
  const top = Math.min(high, machine.maximumBedC);
  const short = top < low;
  return {
    id: 'bed',
    title: 'Bed',
    value: short
      ? say`not available: ${celsius(low)} needed`
      : low === top
        ? say`${celsius(low)}`
        : say`${celsius(low)} to ${celsius(top)}`,
    why: short
      ? say`It reaches ${celsius(machine.maximumBedC)}`
      : 'Five degrees more for the first layer; too hot, and the foot of the part bulges',
    from: short ? 'machine' : stated ? 'grade' : 'family',
    ...(short ? { mind: true as const } : {}),
  };
}

/** Closer than this to the glass transition of an amorphous polymer the part sags while it is printed, K. */
const BELOW_TG_K = 10;

function chamberLine({ family, machine, needs }: CardSetting): CardLine {
  const line = { id: 'chamber', title: 'Enclosure' };
  const wanted = needs.chamber.recommended ?? needs.chamber.minimum;
  if (needs.enclosure === 'open' && wanted === null)
    return {
      ...line,
      value: machine.enclosure === 'open' ? 'open' : 'door open',
      why: 'Wants to be cooled; a warm chamber softens it before it is laid',
      from: 'family',
    };
  if (machine.maximumChamberC === null || wanted === null)
    return {
      ...line,
      value:
        machine.enclosure === 'open' ? 'shield it from draughts' : 'closed, bed on for a quarter of an hour before',
      why:
        wanted === null ? 'Draughts crack layers' : say`Best at ${celsius(wanted)}; this machine does not heat its air`,
      from: 'family',
      ...(needs.enclosure !== 'open' && machine.enclosure === 'open' ? { mind: true as const } : {}),
    };
  const limit = family.morphology === 'amorphous' ? family.glassTransitionC - BELOW_TG_K : Infinity;
  const at = Math.min(wanted, machine.maximumChamberC, limit);
  return {
    ...line,
    value: say`${celsius(at)}`,
    why:
      at < wanted
        ? at === limit
          ? say`Not above: it softens at ${celsius(family.glassTransitionC)}`
          : say`Best at ${celsius(wanted)}; the machine reaches ${celsius(machine.maximumChamberC)}`
        : 'Warm air keeps it from warping and lets the layers bond',
    from: at < wanted ? 'machine' : 'family',
    ...(at < wanted && at < (needs.chamber.minimum ?? 0) ? { mind: true as const } : {}),
  };
}

/** Hot polymers and filled ones are printed without a fan unless an overhang needs it. */
const HOT_NOZZLE_C = 270;

function fanLine({ grade, family, filler, needs }: CardSetting): CardLine {
  const stated = grade.process.fanPct;
  const { low, high } = stated ?? family.fanPct;
  const off = filler !== undefined || needs.nozzleC.mid > HOT_NOZZLE_C;
  const range = low === high ? `${f(low)} %` : `${f(low)} to ${f(high)} %`;
  const whose = stated ? 'its maker states' : 'usual for its family is';
  return {
    id: 'fan',
    title: 'Part fan',
    value: off ? 'off' : range,
    why: off
      ? `Off for the bond of the layers, which ${filler ? 'a filler weakens' : 'a hot polymer needs'}; ${whose} ${range}, for overhangs at the price of strength across`
      : 'More fan holds overhangs and bridges, less fan bonds the layers',
    from: off ? 'company' : stated ? 'grade' : 'family',
  };
}

function slopeLine({ family, filler }: CardSetting): CardLine {
  const cool = family.fanPct.high >= 60 && !filler;
  return {
    id: 'slope',
    title: 'Holds itself to',
    value: cool ? '50° from upright' : '40° from upright',
    why: cool ? 'With its fan; flatter slopes want support' : 'With little or no fan; flatter slopes want support',
    from: 'ours',
  };
}
