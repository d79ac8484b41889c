import { get, set, del } from 'idb-keyval';

/** A mesh file as it was handed in; it stays on this computer. */
export interface MeshFile {
  name: string;
  bytes: Uint8Array;
  /** Millimetres in one unit of a file that does not say its unit. */
  mmPerUnit: number;
}

const key = (partId: string) => `anvilstone-mesh-${partId}`;

export const rememberedMesh = (partId: string): Promise<MeshFile | undefined> => get<MeshFile>(key(partId));
export const rememberMesh = (partId: string, file: MeshFile): Promise<void> => set(key(partId), file);
export const forgetMesh = (partId: string): Promise<void> => del(key(partId));

/** The largest file that is read; five million triangles take about 250 MB. */
export const MOST_BYTES = 300e6;

export const UNITS = [
  { value: '1', label: 'millimetres' },
  { value: '25.4', label: 'inches' },
  { value: '10', label: 'centimetres' },
  { value: '1000', label: 'metres' },
  { value: '0.001', label: 'micrometres' },
] as const;

/** An archive says its unit; anything else does not. */
export const saysItsUnit = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;
