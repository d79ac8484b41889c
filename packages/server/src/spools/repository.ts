import type { AirReading, DryerAtHand, Place, Spool } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { revisionedTable } from '../db/revisionedTable.ts';

export const spoolTable = revisionedTable<Spool>('spools');
export const placeTable = revisionedTable<Place>('places');
export const dryerTable = revisionedTable<DryerAtHand>('dryers');

/** A reading as a logger numbered it. */
export interface NumberedReading extends AirReading {
  number: number;
}

/** Kept once, however often they are fetched. How many were new. */
export async function keepReadings(db: Knex, loggerId: string, readings: readonly NumberedReading[]): Promise<number> {
  if (readings.length === 0) return 0;
  const rows = readings.map(({ number, at, temperatureC, humidityPct }) => ({
    logger_id: loggerId,
    number,
    at,
    temperature_c: temperatureC,
    humidity_pct: humidityPct,
  }));
  const added = (await db('air_readings')
    .insert(rows)
    .onConflict(['logger_id', 'number'])
    .ignore()
    .returning('number')) as unknown[];
  return added.length;
}

/** 0: none yet. */
export async function lastReadingNumber(db: Knex, loggerId: string): Promise<number> {
  const row = (await db('air_readings').where({ logger_id: loggerId }).max('number as last').first()) as {
    last: string | null;
  };
  return Number(row.last ?? 0);
}

/** Quarter-hour means since a moment, in order: as fine as a spool’s clock needs, however often the logger speaks. */
export async function airSince(db: Knex, loggerId: string, sinceMs: number): Promise<AirReading[]> {
  const { rows } = await db.raw<{ rows: { at: Date; t: number; rh: number }[] }>(
    `select min(at) as at, avg(temperature_c) as t, avg(humidity_pct) as rh
     from air_readings where logger_id = ? and at >= ?
     group by date_bin('15 minutes', at, timestamptz '2000-01-01') order by 1`,
    [loggerId, new Date(sinceMs)],
  );
  return rows.map(({ at, t, rh }) => ({ at: at.toISOString(), temperatureC: t, humidityPct: rh }));
}
