export * from './drawing/index.ts';
export * from './units/index.ts';
export { FileError } from './input/FileError.ts';
export { InputError } from './input/InputError.ts';
export { LIMITS } from './input/limits.ts';
export * from './numeric/pchip.ts';
export { repacked, unpack, zipEntryNames } from './archive/zip.ts';
export {
  requireFinite,
  requireFiniteValue,
  requirePositive,
  requirePositiveValue,
  requireWithin,
} from './input/require.ts';
export { keptNormals, wilsonInterval } from './numeric/random.ts';
export * from './statement/amounts.ts';
export { fromMarked } from './statement/fromMarked.ts';
export * from './statement/spellOut.ts';
export * from './statement/statement.ts';
export { Working } from './trace/Working.ts';
export { bisect, type BisectOptions } from './numeric/bisect.ts';
export * from './numeric/constants.ts';
