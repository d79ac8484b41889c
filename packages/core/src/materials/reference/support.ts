import file from './data/supports.json' with { type: 'json' };

export interface SupportPairing {
  bond: 'good' | 'fair' | 'poor';
  printTemperatureCompatible: boolean;
  removability: 'easy' | 'moderate' | 'hard' | 'notPractical';
  recommended: 'yes' | 'possible' | 'no';
  /** Amounts are marked, as `fromMarked` reads them; so in the cautions. */
  harms: string | null;
  caution: string | null;
}

/** A support material and how it goes with each model family. */
export interface Support {
  id: string;
  name: string;
  familyId: string | null;
  /** Null where it is the model’s own material. */
  nozzleC: { low: number; high: number } | null;
  bedMaxC: number | null;
  chamberMaxC: number | null;
  removal: {
    agent: string;
    temperatureC: { low: number; high: number };
    hoursTypical: { low: number; high: number };
    helps: readonly string[];
  };
  storage: string;
  caution: string;
  models: Readonly<Record<string, SupportPairing>>;
}

export const supports = file.supports as unknown as readonly Support[];
export const supportStatement: string = file.about.statement;
