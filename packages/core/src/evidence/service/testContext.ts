import type { Brief, BuildOrientation, Installation, ServiceFinding } from '@anvilstone/schema';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { sampleLibrary } from '../../education/sample/index.ts';
import { inputsOfInstallation, type ServiceInputs } from './grounds.ts';

/** Parts in service and what is found of them. Used by tests only. */
export const installed = (change: Partial<Installation> = {}): Installation => ({
  id: '5e000000-0000-4000-8000-000000000001',
  partId: '0a7c1d00-0000-4000-8000-000000000002',
  mark: 'D-1',
  gradeId: 'ol-pc',
  orientation: 'ZX',
  place: 'Machine room',
  installedAt: '2026-01-01T00:00:00Z',
  installedBy: 'A. Fitter',
  inspections: [],
  sampleData: true,
  ...change,
});

export const found = (change: Partial<ServiceFinding> = {}): ServiceFinding => ({
  id: '5f000000-0000-4000-8000-000000000001',
  installationId: '5e000000-0000-4000-8000-000000000001',
  at: '2026-03-04T12:00:00Z', // 62.5 days: 1500 h
  by: 'A. Fitter',
  state: 'failed',
  measured: {},
  text: 'Seen.',
  taken: [],
  sampleData: true,
  ...change,
});

export function inputsFor(brief: Brief, gradeId: string, orientation: BuildOrientation): ServiceInputs {
  const today = { brief, library: sampleLibrary, rules: defaultCompanyRules };
  return inputsOfInstallation({ gradeId, orientation }, undefined, today)!;
}
