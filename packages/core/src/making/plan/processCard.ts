import type { Brief, BuildOrientation, Grade, CompanyRules, Machine } from '@anvilstone/schema';
import { formatNumber as f, say, celsius, fromMarked, ROOM_C } from '@anvilstone/core/foundations';
import { processNeeds } from '@anvilstone/core/machines';
import {
  foamCurveOf,
  findFamily,
  findReinforcement,
  completeRules,
  defaultCompanyRules,
} from '@anvilstone/core/materials';
import { afterwards } from './cooldown.ts';
import type { CardGroup, CardLine } from './cardLine.ts';
import { REMOVAL_WORDS, supportChoices } from './supportChoices.ts';
import type { CardSetting } from './cardSetting.ts';
import { flowOf } from './flow.ts';
import { heatLines } from './heatLines.ts';

/** How one part is printed: everything that has to be set, dried, watched and done afterwards. */
export interface ProcessCard {
  title: string;
  gradeName: string;
  machineName: string;
  orientation: BuildOrientation;
  groups: readonly CardGroup[];
}

/**
 * The card for a part of one grade on one machine. Typical where the maker states nothing, and then it says so: print a small
 * piece first. Undefined: the family is not known, so nothing can be said of how it is printed.
 */
export function processCard(
  brief: Brief,
  grade: Grade,
  machine: Machine,
  orientation: BuildOrientation,
  rules: CompanyRules = defaultCompanyRules,
): ProcessCard | undefined {
  const family = findFamily(grade.familyId);
  const filler = findReinforcement(grade.reinforcementId);
  const needs = processNeeds(grade, family, filler);
  if (!needs || !family) return undefined;
  const setting: CardSetting = {
    brief,
    grade,
    machine,
    orientation,
    family,
    filler,
    needs,
    rules: completeRules(rules),
  };
  return {
    title: brief.title,
    gradeName: grade.name,
    machineName: machine.name,
    orientation,
    groups: [
      { title: 'Before', lines: [...dryingLines(setting), ...nozzleLines(setting), surfaceLine(setting)] },
      { title: 'Heat and air', lines: heatLines(setting) },
      { title: 'Flow and supports', lines: [...flowLines(setting), ...supportLines(setting)] },
      { title: 'Afterwards', lines: afterwards(setting) },
    ],
  };
}

function supportLines({ grade, machine }: CardSetting): CardLine[] {
  const [first] = supportChoices(grade, machine) ?? [];
  if (!first || first.problems.length > 0) return [];
  const { support, pairing } = first;
  return [
    {
      id: 'support',
      title: 'Support, if any',
      value: support.name,
      why: say`Comes off ${REMOVAL_WORDS[pairing.removability]}: ${support.removal.agent}. ${pairing.harms ? fromMarked(pairing.harms.replace(/[.]$/, '')) : 'Nothing is done to the part by it'}`,
      from: 'family',
    },
  ];
}

function dryingLines({ grade, family, rules }: CardSetting): CardLine[] {
  const { process } = grade;
  const stated = process.dryingH ?? family.dryingH;
  const hours = Math.max(stated, rules.minimumDryingH);
  const temperature = celsius(process.dryingC ?? family.dryingC);
  const from = process.dryingH === undefined ? 'family' : 'grade';
  return [
    {
      id: 'drying',
      title: 'Dry the spool',
      value: say`${f(hours)} h at ${temperature}`,
      why:
        hours > stated
          ? `Company minimum: ${f(rules.minimumDryingH)} h at least; ${from === 'grade' ? 'its maker states' : 'usual for its family are'} ${f(stated)} h. Weigh it: dry at constant mass`
          : 'Weigh it: dry at constant mass. Never hotter, or it fuses on the spool',
      from: hours > stated ? 'company' : from,
      mind: true,
    },
    {
      id: 'open-time',
      title: 'Print within',
      value: `${f(process.openHours ?? family.openHoursAt50Rh)} h of the dryer`,
      why: say`In a room at ${celsius(ROOM_C)} and 50 % humidity; longer from a dry box. Popping, strings and dull lines say that it is wet`,
      from: process.openHours === undefined ? 'family' : 'grade',
    },
  ];
}

function nozzleLines({ needs, machine }: CardSetting): CardLine[] {
  const wide = needs.recommendedNozzleMm > machine.nozzleDiameterMm;
  return [
    {
      id: 'nozzle-kind',
      title: 'Nozzle',
      value: `${f(machine.nozzleDiameterMm)} mm, ${machine.nozzleMaterial}`,
      why: wide
        ? `Fitted; ${f(needs.recommendedNozzleMm)} mm clogs less with this filler`
        : needs.abrasive
          ? machine.nozzleMaterial === 'brass'
            ? 'Fitted, and this filament wears brass through within a spool: change it first'
            : 'Its filler wears brass; this one bears it'
          : 'Fitted; nothing in it wears a nozzle',
      from: 'machine',
      ...(wide || (needs.abrasive && machine.nozzleMaterial === 'brass') ? { mind: true as const } : {}),
    },
  ];
}

function surfaceLine({ family, machine }: CardSetting): CardLine {
  const has = machine.bedSurfaces;
  const usable = has ? family.bedSurfaces.filter((one) => has.some((other) => other === one)) : family.bedSurfaces;
  const value = usable[0] ?? family.bedSurfaces[0] ?? 'not known';
  const release = family.releaseAgentNeeded ? ', with a glue or release film' : '';
  return {
    id: 'surface',
    title: 'Bed surface',
    value: `${value}${release}`,
    why: family.releaseAgentNeeded
      ? 'Usual on this surface, for adhesion and to protect the surface'
      : has && usable.length === 0
        ? 'No available surface holds it well; this one would'
        : 'Clean it: grease from fingers lets corners lift',
    from: 'family',
    ...(family.releaseAgentNeeded || (has && usable.length === 0) ? { mind: true as const } : {}),
  };
}

function flowLines(setting: CardSetting): CardLine[] {
  const { machine, family, grade, brief } = setting;
  const flow = flowOf(setting);
  const remote = machine.extruder === 'remote';
  const soft = family.morphology === 'elastomer';
  const retractMm = (remote ? 5 : 0.8) * (soft ? 0.6 : 1);
  const foam = foamCurveOf(grade, family);
  return [
    {
      id: 'lines',
      title: 'Lines',
      value: `${f(flow.lineWidthMm)} mm wide, ${f(flow.layerHeightMm)} mm high`,
      why: brief.filled ? 'As its walls and infill are worked out' : 'A tenth wider than the nozzle, half as high',
      from: brief.filled ? 'brief' : 'ours',
    },
    {
      id: 'speed',
      title: 'Speed',
      value: `${f(flow.speedMmPerS, 2)} mm/s at most`,
      why: `${f(machine.volumetricFlowMm3PerS)} mm³/s of the machine × ${f(flow.meltShare, 2)} for how the melt flows ÷ the line’s area${flow.limit ? `; ${flow.limit}` : ''}`,
      from: 'machine',
    },
    {
      id: 'first-layer',
      title: 'First layer',
      value: `${f(Math.min(25, 0.4 * flow.speedMmPerS), 2)} mm/s, no fan`,
      why: 'Slow and warm holds; most failed prints fail here',
      from: 'ours',
    },
    {
      id: 'retraction',
      title: 'Retraction, to start from',
      value: `${f(retractMm)} mm`,
      why: `${remote ? 'Through a guide tube it takes millimetres' : 'With the drive at the nozzle it takes less than one'}${soft ? '; soft filament stretches, so less and slowly' : ''}`,
      from: 'ours',
    },
    ...(foam
      ? [
          {
            id: 'foam-flow',
            title: 'Flow of a foam',
            value: 'to be set with its nozzle temperature',
            why: 'See the table under Build, walls and infill: what foams is fed less, in proportion to its density',
            from: 'family' as const,
            mind: true as const,
          },
        ]
      : []),
  ];
}
