import type { InstrumentKind, Misbehaviour, PrintOrder } from '@anvilstone/schema';
import type { MountedSpecimen } from '../simulators/mountedSpecimen.ts';
import type { Address } from './ask.ts';

/** An instrument that is at hand. What only a stand-in can do is optional. */
export interface Device {
  id: string;
  kind: InstrumentKind;
  name: string;
  address: Address;
  standIn?: {
    behaviour(): Misbehaviour;
    behave(behaviour: Misbehaviour): Promise<void>;
    /** What now lies on the pan, g. */
    put?(massG: number): void;
    /** Begins a print. */
    begin?(order: PrintOrder): void;
    /** Hangs a specimen into a rig. */
    mount?(specimen: MountedSpecimen): void;
  };
}
