import type { Device } from '../instruments/device.ts';
import { benchRig } from './benchRig.ts';
import { humidityLogger, type LoggerOptions } from './humidityLogger.ts';
import { printer } from './printer.ts';
import { scale } from './scale.ts';
import { supplier } from './supplier.ts';

export interface StandIns {
  devices: readonly Device[];
  close(): Promise<void>;
}

/** A scale, a humidity logger, a supplier’s list, a printer and a test rig with its gauges, each on a port of its own on loopback. */
export async function startStandIns(options: LoggerOptions & { rigPace?: number } = {}): Promise<StandIns> {
  const [rig, ...made] = await Promise.all([
    benchRig(options.now, options.rigPace),
    humidityLogger(options),
    scale(),
    supplier(options.now),
    printer(options.now),
  ]);
  return {
    devices: [...made.map(({ device }) => device), ...rig.devices],
    async close() {
      await Promise.all([rig, ...made].map(({ close }) => close()));
    },
  };
}
