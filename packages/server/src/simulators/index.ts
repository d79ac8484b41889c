import type { Device } from '../instruments/service.ts';
import { humidityLogger, type LoggerOptions } from './humidityLogger.ts';
import { printer } from './printer.ts';
import { scale } from './scale.ts';
import { supplier } from './supplier.ts';

export interface StandIns {
  devices: readonly Device[];
  close(): Promise<void>;
}

/** A scale, a humidity logger, a supplier’s list and a printer, each on a port of its own on loopback. */
export async function startStandIns(options: LoggerOptions = {}): Promise<StandIns> {
  const made = await Promise.all([humidityLogger(options), scale(), supplier(options.now), printer(options.now)]);
  return {
    devices: made.map(({ device }) => device),
    async close() {
      await Promise.all(made.map(({ close }) => close()));
    },
  };
}
