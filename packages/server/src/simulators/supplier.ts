import { sampleLibrary } from '@anvilstone/core/education/sample';
import { writeLine } from '../instruments/lineProtocol.ts';
import type { Device } from '../instruments/device.ts';
import { lineServer, type LineServer } from './lineServer.ts';

const HEADER = 'Article;Name;Maker;Spool g;Price USD;Supply';
/** Every so many grades are in this supplier’s list. */
const EVERY = 3;
const SPOOL_G = 1000;

/**
 * Stand-in of a supplier’s list whose prices change.
 *   LIST  →  ROW text=… (a header and a line of CSV for each article), END rows=…
 * One that drifts has slipped a decimal point in some of its prices.
 */
export async function supplier(
  now: () => Date = () => new Date(),
): Promise<{ device: Device; close: LineServer['close'] }> {
  const articles = sampleLibrary.grades.filter(({ pricePerKgUsd }, i) => pricePerKgUsd !== null && i % EVERY === 0);
  const server = await lineServer(({ word }, behaviour) => {
    if (word !== 'LIST') return [writeLine('WHAT')];
    const hours = now().getTime() / 3600e3;
    const rows = articles.map(({ name, maker, pricePerKgUsd }, i) => {
      const change = 1 + 0.09 * Math.sin(i * 1.7 + hours / 30);
      const slip = behaviour === 'drifts' && i % 4 === 1 ? 10 : 1;
      const price = (pricePerKgUsd! * (SPOOL_G / 1000) * change * slip).toFixed(2);
      return `${4100 + i};${name};${maker};${SPOOL_G};${price};open`;
    });
    return [
      ...[HEADER, ...rows].map((text) => writeLine('ROW', { text })),
      writeLine('END', { rows: rows.length + 1 }),
    ];
  });
  return {
    close: server.close,
    device: {
      id: 'supplier',
      kind: 'supplier',
      name: 'Supplier’s list (stand-in)',
      get address() {
        return server.address;
      },
      standIn: { behaviour: server.behaviour, behave: server.behave },
    },
  };
}
