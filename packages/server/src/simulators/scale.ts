import { writeLine } from '../instruments/lineProtocol.ts';
import type { Device } from '../instruments/device.ts';
import { lineServer, type LineServer } from './lineServer.ts';

const CHECK_WEIGHT_G = 200;
const RANGE_G = 6000;
const DRIFT_G = 1.7;

/**
 * Stand-in of a scale with a check weight built in.
 *   READ  →  MASS g=… settled=yes|no, or OVER
 *   CHECK →  MASS g=… settled=yes: what it shows for its 200 g
 */
export async function scale(): Promise<{ device: Device; close: LineServer['close'] }> {
  let panG = 0;
  let drifted = 0;
  let asked = 0;
  const server = await lineServer(({ word }, behaviour) => {
    asked += 1;
    drifted = behaviour === 'drifts' ? drifted + DRIFT_G : 0;
    const trembling = 0.05 * Math.sin(asked * 12.9898);
    const shown = (massG: number) => writeLine('MASS', { g: (massG + drifted + trembling).toFixed(1), settled: 'yes' });
    if (word === 'CHECK') return [shown(CHECK_WEIGHT_G)];
    if (word !== 'READ') return [writeLine('WHAT')];
    return panG > RANGE_G ? [writeLine('OVER')] : [shown(panG)];
  });
  return {
    close: server.close,
    device: {
      id: 'scale',
      kind: 'scale',
      name: 'Scale by the rack (stand-in)',
      get address() {
        return server.address;
      },
      standIn: {
        behaviour: server.behaviour,
        behave: server.behave,
        put(massG) {
          panG = massG;
        },
      },
    },
  };
}
