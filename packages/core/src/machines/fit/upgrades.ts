import { say, celsius } from '@anvilstone/core/foundations';
import type { Machine, Statement } from '@anvilstone/schema';
import { holdingPowerW } from './bedPower.ts';

/** A change of a machine that a workshop can make itself. */
export interface MachineUpgrade {
  title: Statement;
  /** Usual price of the part, USD. Ours, evidence class D: ask a supplier. */
  priceUsd: number;
  /** What it changes. */
  change: Partial<Machine>;
  /** The machine with it. */
  machine: Machine;
  /** What to mind when fitting it. */
  caution?: string;
}

/** What an all-metal hot end of a usual heater reaches, °C. */
const ALL_METAL_C = 300;
/** Wide enough for every filled grade of the tables. */
const WIDE_NOZZLE_MM = 0.6;

/** What sensors for hot polymers hold, °C. */
const HOT_SENSOR_C = 450;
/** What a heater in a usual enclosure reaches with motors and belts inside, °C. */
const HEATED_CHAMBER_C = 70;
/** What a mains bed reaches on its usual insulation, °C. */
const HOT_BED_C = 140;
/** What ducts of a hot polymer or of metal stand, °C. */
const OWN_PLASTIC_C = 180;
const MAINS = 'Mains voltage: a licensed person fits and checks it.';

/** Each one upgrade that a machine lacks; combinations are for whoever plans a new machine. */
export function machineUpgrades(machine: Machine): MachineUpgrade[] {
  const found: MachineUpgrade[] = [];
  const add = (title: Statement, priceUsd: number, change: Partial<Machine>, caution?: string) =>
    found.push({ title, priceUsd, change, machine: { ...machine, ...change }, ...(caution ? { caution } : {}) });
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
  if (machine.enclosure !== 'heated')
    add(
      say`${machine.enclosure === 'open' ? 'enclose it and heat' : 'heat'} its chamber to ${celsius(HEATED_CHAMBER_C)}`,
      machine.enclosure === 'open' ? 480 : 350,
      { enclosure: 'heated', maximumChamberC: HEATED_CHAMBER_C },
      `${MAINS} A thermal fuse, and electronics outside of the heat.`,
    );
  if (machine.maximumBedC < HOT_BED_C)
    add(say`fit a bed that reaches ${celsius(HOT_BED_C)}`, 180, { maximumBedC: HOT_BED_C, mainsBed: true }, MAINS);
  if (machine.extruder === 'remote') add('move the drive to the nozzle (direct drive)', 90, { extruder: 'direct' });
  const { sensorLimitC, ownPlasticC, bedSurfaces } = machine;
  if (sensorLimitC !== undefined && sensorLimitC < HOT_SENSOR_C)
    add(say`fit a temperature sensor that holds to ${celsius(HOT_SENSOR_C)}`, 40, { sensorLimitC: HOT_SENSOR_C });
  const heldW = holdingPowerW(machine, machine.maximumBedC);
  if (machine.supplyW !== undefined && !machine.mainsBed && heldW > machine.supplyW)
    add('fit a stronger power supply', 65, { supplyW: Math.ceil((1.25 * heldW) / 50) * 50 }, MAINS);
  if (ownPlasticC !== undefined && ownPlasticC < OWN_PLASTIC_C)
    add('replace its plastic ducts and mounts by ones that stand the heat', 45, { ownPlasticC: OWN_PLASTIC_C });
  if (bedSurfaces && !bedSurfaces.includes('textured PEI sheet'))
    add('buy a textured PEI sheet', 30, { bedSurfaces: [...bedSurfaces, 'textured PEI sheet'] });
  if (bedSurfaces && !machine.releaseAgent) add('keep a release agent available', 8, { releaseAgent: true });
  if (machine.ventilation !== undefined && machine.ventilation !== 'extracted')
    add('duct its exhaust outside', 90, { ventilation: 'extracted' });
  return found;
}
