import type { Claim, Grade, Observation } from '@anvilstone/schema';
import { familyEstimate, type Family, type Reinforcement } from '@anvilstone/core/materials';
import type { Evidence } from './rows.ts';
import { round, seeded } from './seeded.ts';

interface Further {
  id: string;
  family: Family;
  filler: Reinforcement | undefined;
  evidence: Evidence;
  add: (facts: Omit<Observation, 'id' | 'reference' | 'source'> & Partial<Observation>) => void;
}

/** What sheets say beyond strength and stiffness: thermal, flow, water, electrical, fire; each maker in its own manner. */
export function furtherEvidence({ id, family, filler, evidence, add }: Further): void {
  const random = seeded(`${id}:further`);
  const vary = (spread: number) => 1 + (random() * 2 - 1) * spread;
  const typical = (property: Observation['property']) => familyEstimate(family, filler, property)?.value;
  const specimen = evidence === 'moulded' ? 'moulded' : 'printed';
  if (evidence === 'sparse') return;
  if (id.startsWith('ne-')) addIzodPerThickness();
  if (random() < 0.7) {
    add({
      property: 'thermalExpansion',
      value: round((typical('thermalExpansion') ?? 0) * vary(0.1), 2),
      unit: 'µm/m·K',
      orientation: 'XY',
      method: 'ISO 11359-2',
    });
  }
  if (random() < 0.6) {
    add({
      property: 'meltFlowRate',
      value: round((typical('meltFlowRate') ?? 0) * vary(0.25), 2),
      unit: 'g/10 min',
      meltFlowTemperatureC: family.meltFlow.temperatureC,
      meltFlowMassKg: family.meltFlow.massKg,
      method: 'ISO 1133',
    });
  }
  const water = typical('waterSaturation');
  if (water !== undefined && random() < 0.5)
    add({ property: 'waterSaturation', value: round(water * vary(0.15), 2), unit: '%', method: 'ISO 62' });
  if (random() < 0.5)
    add({
      property: 'printShrink',
      value: round((typical('printShrink') ?? 0) * vary(0.2), 2),
      unit: '%',
      specimen: 'printed',
    });
  addResistivity();
  if (family.morphology !== 'elastomer' && random() < 0.4) {
    add({
      property: 'flexuralStrength',
      value: round((typical('flexuralStrength') ?? typical('tensileStrength')! * 1.4) * vary(0.08), 3),
      unit: 'MPa',
      specimen,
      method: 'ISO 178',
      orientation: specimen === 'printed' ? 'XY' : null,
      conditioning: 'dry',
    });
  }
  const hardness = typical('hardnessShoreA') ?? typical('hardnessShoreD');
  if (hardness !== undefined && (family.morphology === 'elastomer' || random() < 0.3)) {
    add({
      property: typical('hardnessShoreA') === undefined ? 'hardnessShoreD' : 'hardnessShoreA',
      value: Math.round(hardness),
      unit: 'Shore',
      method: 'ISO 868',
    });
  }
  if (family.flameThicknessMm !== null && random() < 0.5) {
    add({
      property: 'flameClass',
      classValue: family.flameClassTypical,
      unit: '-',
      thicknessMm: family.flameThicknessMm,
      specimen: 'moulded',
      method: 'UL 94',
      note: 'Of the raw grade, natural colour',
    });
  }

  /** American manner: Izod per thickness, and the bar not described. It cannot be set against a kJ/m² value. */
  function addIzodPerThickness() {
    const charpy = typical('charpyNotched');
    if (charpy === undefined) return;
    const stated = random() < 0.5 ? { ligamentMm: 10.16 } : {};
    add({
      property: 'izodNotched',
      value: round(charpy * 9.5 * vary(0.15), 2),
      unit: 'J/m',
      method: 'ASTM D256',
      specimen,
      notchRadiusMm: 0.25,
      conditioning: evidence === 'conditioned' ? 'conditioned' : 'dry',
      ...(specimen === 'printed' ? { orientation: 'XY' as const } : {}),
      ...stated,
    });
  }

  function addResistivity() {
    const ohm = typical('surfaceResistivity');
    if (ohm === undefined || random() > 0.5) return;
    const dissipative = filler?.id === 'static-dissipative';
    const decade = Math.round(Math.log10(ohm) + (random() - 0.5));
    if (dissipative || ohm < 1e11) {
      add({
        property: 'surfaceResistivity',
        value: 10 ** decade,
        unit: 'Ω',
        specimen: 'printed',
        resistivityVoltageV: 100,
        relativeHumidityPct: 12,
        method: 'IEC 61340-2-3',
        source: dissipative ? 'bench' : 'datasheet',
        count: dissipative ? 5 : 1,
      });
    } else {
      add({
        property: 'surfaceResistivity',
        value: 1e13,
        bound: 'atLeast',
        unit: 'Ω',
        specimen,
        resistivityVoltageV: 500,
        relativeHumidityPct: 50,
        method: 'IEC 62631-3-2',
      });
    }
  }
}

/** Process windows as stated; a full sheet also says how to dry. */
export function statedProcess(family: Family, evidence: Evidence): Grade['process'] {
  const { low, high } = family.nozzleC;
  const window = { nozzleC: { low, high }, bedC: family.bedC };
  if (evidence !== 'printed' && evidence !== 'bench+sheet' && evidence !== 'conditioned') return window;
  return { ...window, fanPct: family.fanPct, dryingC: family.dryingC, dryingH: family.dryingH };
}

const CLAIMS: Record<string, Omit<Claim, 'reference'>[]> = {
  'ol-pc-fr': [
    {
      kind: 'flame',
      statement: 'V-0',
      standard: 'UL 94',
      scope: 'moulded-specimen',
      thicknessMm: 1.5,
      colour: 'grey',
      date: '2025-03-11',
    },
  ],
  'ht-pei': [
    { kind: 'flame', statement: 'V-0', standard: 'UL 94', scope: 'raw-grade', thicknessMm: 0.8, date: '2024-09-30' },
  ],
  'tm-petg': [{ kind: 'food', statement: 'Raw material suited to dry food', scope: 'raw-grade', date: '2024-05-02' }],
  'ht-ppsu': [
    {
      kind: 'biocompatible',
      statement: 'Skin contact, short',
      standard: 'ISO 10993-10',
      scope: 'moulded-specimen',
      date: '2023-11-20',
    },
  ],
  'vp-asa-esd': [
    {
      kind: 'electrostatic',
      statement: '1e6 to 1e9 Ω',
      standard: 'IEC 61340-2-3',
      scope: 'printed-specimen',
      thicknessMm: 3,
      date: '2026-02-17',
    },
  ],
  'ne-petg-esd': [{ kind: 'electrostatic', statement: 'Static dissipative', scope: 'not-stated' }],
};

export function claimsOf(id: string, reference: string): { claims?: Claim[] } {
  const claims = CLAIMS[id];
  return claims ? { claims: claims.map((claim) => ({ ...claim, reference })) } : {};
}
