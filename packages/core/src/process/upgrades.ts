import type { Machine } from '@anvilstone/schema';

/** A change of a machine that a workshop can make itself. */
export interface MachineUpgrade {
  title: string;
  /** Usual price of the part, USD. Ours, evidence class D: ask a supplier. */
  priceUsd: number;
  /** The machine with it. */
  machine: Machine;
}

/** What an all-metal hot end of a usual heater reaches, °C. */
const ALL_METAL_C = 300;
/** Wide enough for every filled grade of the tables. */
const WIDE_NOZZLE_MM = 0.6;

/** Each one upgrade that a machine lacks; combinations are for whoever plans a new machine. */
export function machineUpgrades(machine: Machine): MachineUpgrade[] {
  const found: MachineUpgrade[] = [];
  const add = (title: string, priceUsd: number, change: Partial<Machine>) =>
    found.push({ title, priceUsd, machine: { ...machine, ...change } });
  if (machine.nozzleMaterial === 'brass') {
    add('fit a hardened nozzle', 25, { nozzleMaterial: 'hardened' });
    if (machine.nozzleDiameterMm < WIDE_NOZZLE_MM)
      add(`fit a hardened nozzle of ${WIDE_NOZZLE_MM} mm`, 25, {
        nozzleMaterial: 'hardened',
        nozzleDiameterMm: WIDE_NOZZLE_MM,
      });
  } else if (machine.nozzleDiameterMm < WIDE_NOZZLE_MM)
    add(`fit a nozzle of ${WIDE_NOZZLE_MM} mm`, 20, { nozzleDiameterMm: WIDE_NOZZLE_MM });
  if (machine.hotEndLining === 'ptfe')
    add('fit an all-metal hot end', 70, {
      hotEndLining: 'all-metal',
      maximumNozzleC: Math.max(machine.maximumNozzleC, ALL_METAL_C),
    });
  if (machine.enclosure === 'open') add('build an enclosure round it', 150, { enclosure: 'enclosed' });
  if (machine.extruder === 'remote') add('move the drive to the nozzle (direct drive)', 90, { extruder: 'direct' });
  return found;
}
