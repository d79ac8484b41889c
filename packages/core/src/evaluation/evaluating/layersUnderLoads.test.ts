import { heaterDuct, lampArm, nozzleBracket } from '../../education/sample/index.ts';
import { partModels } from '../../shapes/parts/index.ts';
import { withPart } from '../../shapes/parts/fitLoads.ts';
import { layersUnderLoads } from './layersUnderLoads.ts';

test('an arm: flat slides, on edge within, upright pulled apart; sideways the first two change places', () => {
  const [lamp] = layersUnderLoads(lampArm);
  expect(lamp).toEqual({ XY: 'slides', XZ: 'within', ZX: 'pulls-apart' });
  const sideways = { ...lampArm, loadCases: [{ ...lampArm.loadCases[0]!, direction: 'width' as const }] };
  expect(layersUnderLoads(sideways)).toEqual([{ XY: 'within', XZ: 'slides', ZX: 'pulls-apart' }]);
});

test('a ring on its rim has its hoop in the layers, lying on its side it is pulled across them', () => {
  expect(layersUnderLoads(heaterDuct)[0]).toMatchObject({ ZX: 'within', XZ: 'pulls-apart' });
});

test('a bracket built off the wall peels at its root; one answer a load', () => {
  expect(layersUnderLoads(nozzleBracket).map((one) => one.ZX)).toEqual(['pulls-apart', 'pulls-apart']);
});

test('a twisted shaft is always pulled at a slant or slid', () => {
  const shaft = withPart(lampArm, partModels.find((model) => model.id === 'torsion-shaft')!.start);
  for (const loading of Object.values(layersUnderLoads(shaft)[0]!)) expect(loading).toBe('slants');
});
