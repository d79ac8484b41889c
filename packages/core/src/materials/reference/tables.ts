/** The larger reference tables, apart from the families that every evaluation needs: loaded where they are shown. */
export * from './agent.ts';
export * from './support.ts';
export * from './tow.ts';
