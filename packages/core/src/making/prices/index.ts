export * from './readPriceList.ts';
