import { askOf, type AskKind } from './askKind.ts';
import { SlidingFields, ThermalFitFields } from './NeighbourFields.tsx';

export const neighbourAsks: readonly AskKind[] = [
  askOf(
    'thermalFit',
    { fixedTo: 'steel', lengthMm: 100, coldestC: -10, hottestC: 50, allowedMm: 0.3 },
    {
      id: 'thermal-fit',
      title: 'Thermal expansion mismatch',
      explains: 'It is fixed to another material: plastics expand four to ten times as much as steel.',
      Fields: ({ asks, set }) => (
        <ThermalFitFields ask={asks.thermalFit!} onChange={(thermalFit) => set({ thermalFit })} />
      ),
    },
  ),
  askOf(
    'sliding',
    { pressureMPa: 1, speedMPerS: 0.02 },
    {
      id: 'sliding',
      title: 'Wear and friction',
      explains: 'It slides on something: pressure × velocity decides wear and melting, friction the drag.',
      Fields: ({ asks, set }) => <SlidingFields ask={asks.sliding!} onChange={(sliding) => set({ sliding })} />,
    },
  ),
];
