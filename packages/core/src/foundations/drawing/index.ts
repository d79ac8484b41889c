export * from './barChart.ts';
export * from './drawing.ts';
export * from './lineChart.ts';
export * from './svg.ts';
