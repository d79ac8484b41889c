import file from './data/supports.json' with { type: 'json' };

export interface SupportPairing {
  bond: 'good' | 'fair' | 'poor';
  printTemperatureCompatible: boolean;
  removability: 'easy' | 'moderate' | 'hard' | 'notPractical';
  recommended: 'yes' | 'possible' | 'no';
  harms: string | null;
  caution: string | null;
}

/** A support material and how it goes with each model family. */
export interface Support {
  id: string;
  name: string;
  familyId: string | null;
  nozzleC: { low: number; high: number };
  bedMaxC: number;
  chamberMaxC: number;
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
