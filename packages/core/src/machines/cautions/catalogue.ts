import type { Agent, Brief, Grade } from '@anvilstone/schema';
import {
  findFamily,
  type Family,
  findReinforcement,
  type Reinforcement,
  type CompleteRules,
} from '@anvilstone/core/materials';
import { PROOF_TEST_CAUTION } from './proofTest.ts';

/** Screens and papers on which a caution is shown. */
export const CAUTION_PLACES = ['brief', 'shortlist', 'grade', 'print', 'bench', 'decision'] as const;
export type CautionPlace = (typeof CAUTION_PLACES)[number];

/** What a caution is triggered by; each part of it may be missing. */
export interface CautionSituation {
  brief?: Brief;
  grade?: Grade;
  rules?: CompleteRules;
  agent?(id: string): Agent | undefined;
}

export interface Caution {
  id: string;
  /** Whom or what it protects: people come first in every list. */
  protects: 'people' | 'part';
  where: readonly CautionPlace[];
  /** When it is shown, in words. */
  trigger: string;
  /** Its text, or undefined: not triggered. */
  text(situation: Trigger): string | undefined;
}

interface Trigger extends CautionSituation {
  family: Family | undefined;
  filler: Reinforcement | undefined;
}

/** What is breathed while printing, by the family's handling class. */
const FUMES: Record<Family['fumes'], string> = {
  low: 'Few fumes when printed within its temperature range: ventilate all the same.',
  styrene: 'Gives off styrene when printed: enclose the machine and extract or filter the air; do not sit beside it.',
  caprolactam: 'Gives off caprolactam and similar vapours when printed: extract or filter the air.',
  acrylic: 'Gives off acrylic vapours when printed, which irritate: extract or filter the air.',
  highTemperature:
    'Printed very hot, or breaks down into harmful gases when overheated: extract the air, stay below the stated nozzle temperature, and let hot end and chamber cool before reaching in.',
};

const RISKY_SOLVENT = /limonene|isopropanol/;

/** Every caution of the product, people's before the part's. The next one is one entry here. */
export const cautionCatalogue: readonly Caution[] = [
  {
    id: 'proof-test',
    protects: 'people',
    where: ['brief', 'shortlist', 'print', 'bench', 'decision'],
    trigger: 'The brief says that a failure could hurt someone.',
    text: ({ brief }) => (brief?.failureCouldHurt === 'yes' ? PROOF_TEST_CAUTION : undefined),
  },
  {
    id: 'low-safety-factor',
    protects: 'people',
    where: ['brief', 'decision'],
    trigger: 'A load has a smaller safety factor than the company rules want for what a failure would do.',
    text({ brief, rules }) {
      if (!brief || !rules) return undefined;
      const harm = brief.failureCouldHurt === 'yes';
      const least = harm ? rules.safetyFactorHarm : rules.safetyFactorHarmless;
      const below = brief.loadCases.filter((load) => load.safetyFactor < least).map((load) => load.name);
      if (below.length === 0) return undefined;
      return `Safety factor below the company minimum of ${least} for ${harm ? 'parts that could hurt someone' : 'parts that hurt no one'}: ${below.join(', ')}. Lowering it is a decision to be signed, not a fix.`;
    },
  },
  {
    id: 'fumes',
    protects: 'people',
    where: ['shortlist', 'grade', 'print', 'decision'],
    trigger: 'A grade is looked at or chosen.',
    text: ({ grade, family }) =>
      grade &&
      (family ? FUMES[family.fumes] : 'The polymer is not stated: treat its fumes as harmful and extract the air.'),
  },
  {
    id: 'fibre-dust',
    protects: 'people',
    where: ['shortlist', 'grade', 'print', 'decision'],
    trigger: 'The grade’s filler sheds dust or irritates.',
    text: ({ filler }) => filler?.handlingCaution ?? undefined,
  },
  {
    id: 'fluid-handling',
    protects: 'people',
    where: ['brief', 'shortlist', 'bench', 'decision'],
    trigger: 'A fluid touches the part.',
    text({ brief, agent }) {
      const lines = (brief?.asks.fluids ?? []).flatMap(({ agentId }) => {
        const found = agent?.(agentId);
        return found ? [`${found.name}: ${found.handlingCaution}`] : [];
      });
      return lines.length === 0 ? undefined : [...new Set(lines)].join(' ');
    },
  },
  {
    id: 'electric-shock',
    protects: 'people',
    where: ['brief', 'shortlist', 'decision'],
    trigger: 'The part keeps a voltage apart, or leads charge away.',
    text({ brief }) {
      if (brief?.asks.insulation)
        return 'Live parts: this is a screening, not an insulation design. Creepage, clearance and protection against shock belong to the electrical code and a licensed person.';
      if (brief?.asks.electrostatic && brief.asks.electrostatic.range !== 'insulating')
        return 'Leads charge away slowly; it protects nobody against electric shock. Ground it through a resistor where the control plan says so, and measure the finished part.';
      return undefined;
    },
  },
  {
    id: 'flame-rating',
    protects: 'people',
    where: ['brief', 'shortlist', 'decision'],
    trigger: 'A flame class, oxygen index or smoke result is asked for.',
    text: ({ brief }) =>
      brief?.asks.flameClass !== undefined ||
      brief?.asks.oxygenIndexPct !== undefined ||
      brief?.asks.smokeStandard !== undefined
        ? 'A fire result belongs to the tested piece at its thickness and colour, not to a printed part with layer lines. Fire law and the client’s approval come first.'
        : undefined,
  },
  {
    id: 'food-skin',
    protects: 'people',
    where: ['brief', 'shortlist', 'decision'],
    trigger: 'The part touches food or skin.',
    text({ brief }) {
      if (brief?.asks.food)
        return 'Layer lines hold food and cannot be cleaned well; pigments, nozzle metal and release agents get in. A raw grade’s statement does not cover the print: food law applies.';
      if (brief?.asks.skin)
        return 'A raw grade’s statement does not cover a printed part, its dyes or its fibre ends. Not for wounds, for children or for medical use without the approval that the law asks for.';
      return undefined;
    },
  },
  {
    id: 'sterilising',
    protects: 'people',
    where: ['brief', 'shortlist', 'decision'],
    trigger: 'The part is sterilised.',
    text({ brief }) {
      if (!brief?.asks.sterilise) return undefined;
      const pressure = /steam|dry heat/.test(brief.asks.sterilise.method)
        ? ' Heat and pressure: only in a tested vessel, vent before opening.'
        : '';
      return `Surviving a cycle does not make a part sterile: gaps between beads shield germs. Validation belongs to whoever is licensed for it.${pressure}`;
    },
  },
  {
    id: 'dissolving-bath',
    protects: 'people',
    where: ['brief', 'shortlist', 'print'],
    trigger: 'The part is meant to dissolve in a flammable solvent.',
    text: ({ brief }) =>
      brief?.asks.dissolves && RISKY_SOLVENT.test(brief.asks.dissolves.bath)
        ? 'Flammable bath: ventilate, no sparks or heaters, gloves and goggles; collect the spent solvent as the local rules say.'
        : undefined,
  },
  {
    id: 'hot-surface',
    protects: 'people',
    where: ['brief', 'shortlist', 'bench', 'decision'],
    trigger: 'The part works at or touches something above 60 °C.',
    text({ brief }) {
      if (!brief) return undefined;
      const { heat } = brief.asks;
      const touched = brief.part.model === 'hot-contact' ? brief.part.otherTemperatureC : -Infinity;
      const hottest = Math.max(heat?.steadyC ?? -Infinity, heat?.peak?.temperatureC ?? -Infinity, touched);
      return hottest >= 60
        ? 'Hot enough to burn skin: guard it or mark it, and let it cool before touching.'
        : undefined;
    },
  },
  {
    id: 'stored-energy',
    protects: 'people',
    where: ['bench'],
    trigger: 'A part of the brief is tested under load.',
    text: ({ brief }) =>
      brief
        ? 'Test rigs store energy and parts break into shrapnel: shield, tether, stand clear, load slowly.'
        : undefined,
  },
  {
    id: 'stress-crackers',
    protects: 'part',
    where: ['brief', 'shortlist', 'decision'],
    trigger: 'A fluid that cracks some polymers under tension touches the part.',
    text({ brief, agent }) {
      const names = (brief?.asks.fluids ?? []).flatMap(({ agentId }) => {
        const found = agent?.(agentId);
        return found && Object.values(found.ratings).some((row) => row.stressCrack) ? [found.name] : [];
      });
      if (names.length === 0) return undefined;
      return `${[...new Set(names)].join(', ')}: cracks some polymers where they are pulled, screws and press fits included. Heat and stress make every fluid worse; cleaners and release agents count as fluids too.`;
    },
  },
  {
    id: 'wet-polyamide',
    protects: 'part',
    where: ['shortlist', 'grade', 'print', 'decision'],
    trigger: 'A polyamide or another polymer that takes up much water is looked at.',
    text: ({ family }) =>
      family && (family.waterSaturationPct ?? 0) > 2.5
        ? 'Takes up water: fresh from the printer it is brittle and small, in use it turns softer, tougher and larger. Dry the spool before printing, and let a part take up water before judging it.'
        : undefined,
  },
  {
    id: 'carbon-not-antistatic',
    protects: 'part',
    where: ['shortlist', 'grade'],
    trigger: 'A grade with chopped carbon is looked at while a charge range is asked.',
    text: ({ brief, filler }) =>
      brief?.asks.electrostatic &&
      filler?.electrostaticControl &&
      filler.filler.includes('carbon') &&
      !filler.electrostaticControl.mayBeReliedOn
        ? filler.electrostaticControl.note
        : undefined,
  },
  {
    id: 'galvanic',
    protects: 'part',
    where: ['shortlist', 'decision'],
    trigger: 'A carbon-filled grade is fixed to aluminium, outdoors or in a fluid.',
    text: ({ brief, filler }) =>
      filler?.filler.includes('carbon') &&
      brief?.asks.thermalFit?.fixedTo === 'aluminium' &&
      (brief.asks.outdoors || brief.asks.fluids)
        ? 'Carbon against wet aluminium corrodes the aluminium: keep them apart with a washer or a coat.'
        : undefined,
  },
];

export interface ShownCaution {
  id: string;
  protects: Caution['protects'];
  text: string;
}

/** The cautions that a situation triggers in one place, people's first. */
export function cautionsFor(place: CautionPlace, situation: CautionSituation): ShownCaution[] {
  const { grade } = situation;
  const trigger: Trigger = {
    ...situation,
    family: grade && findFamily(grade.familyId),
    filler: findReinforcement(grade?.reinforcementId ?? null),
  };
  return cautionCatalogue.flatMap(({ id, protects, where, text }) => {
    const said = where.includes(place) ? text(trigger) : undefined;
    return said === undefined ? [] : [{ id, protects, text: said }];
  });
}
