export * from './edges.ts';
export * from './mesh.ts';
export * from './properties.ts';
export * from './read3mf.ts';
export * from './readStl.ts';
export * from './report.ts';
export * from './section.ts';
export * from './weld.ts';
