export * from './cost.ts';
export * from './costLines.ts';
export * from './filamentCost.ts';
export * from './scrap.ts';
