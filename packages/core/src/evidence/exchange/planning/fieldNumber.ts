import { fromCanonical, toCanonical, unitList, findUnit, type Dimension } from '@anvilstone/core/foundations';
import { TEST_PARAMETERS } from '@anvilstone/core/materials';

/** What a plain field is kept in. A field that is not listed is a bare number. */
const FIELD_UNITS: Record<string, { dimension: Dimension; unit: string }> = {
  pricePerKgUsd: { dimension: 'price', unit: 'USD/kg' },
  'process.nozzleC': { dimension: 'temperature', unit: '°C' },
  'process.bedC': { dimension: 'temperature', unit: '°C' },
  'process.chamberC': { dimension: 'temperature', unit: '°C' },
  'process.fanPct': { dimension: 'fraction', unit: '%' },
  'process.dryingC': { dimension: 'temperature', unit: '°C' },
  'process.dryingH': { dimension: 'time', unit: 'h' },
  'process.openHours': { dimension: 'time', unit: 'h' },
  'process.minimumNozzleMm': { dimension: 'length', unit: 'mm' },
  temperatureC: { dimension: 'temperature', unit: '°C' },
  ...Object.fromEntries(
    Object.entries(TEST_PARAMETERS).flatMap(([path, { dimension, unit }]) =>
      dimension && unit ? [[path, { dimension, unit }]] : [],
    ),
  ),
};

const OTHER_CURRENCY = /[€£¥₹]|\b(EUR|GBP|CHF|JPY|CNY|INR|SEK|NOK|DKK|PLN|CZK|CAD|AUD)\b/i;
const OTHER_QUANTITY = /(\/|\bper\b)\s*(?!kg\b|kilo|lb\b|pound)[a-z]/i;
const DIGITS = 6;

export type FieldNumber = { ok: true; value: number } | { ok: false; message: string };

/**
 * A number of a cell in the unit its field is kept in. The unit is the cell's, else the column's, else the field's own. A
 * unit that does not belong, or a price in another currency or for another quantity, is refused: taken as it stands it
 * would be a wrong number that nobody notices.
 */
export function fieldNumber(
  path: string,
  value: number,
  stated: { cellUnit: string; columnUnit: string | null; header: string },
): FieldNumber {
  const field = FIELD_UNITS[path];
  if (!field) return { ok: true, value };
  const { dimension, unit } = field;
  if (dimension === 'price') {
    const said = `${stated.header} ${stated.cellUnit}`;
    if (OTHER_CURRENCY.test(said) || OTHER_QUANTITY.test(said)) {
      return { ok: false, message: 'The price is not in USD for a kg or lb: convert it, or leave the column out' };
    }
  }
  const cellUnit = dimension === 'price' && /^(USD|\$)$/i.test(stated.cellUnit) ? '' : stated.cellUnit;
  if (cellUnit !== '' && !findUnit(dimension, cellUnit)) {
    return { ok: false, message: `“${cellUnit}” is not a unit here. Use ${unitList(dimension)}` };
  }
  const columnUnit = stated.columnUnit !== null && findUnit(dimension, stated.columnUnit) ? stated.columnUnit : unit;
  const from = cellUnit || columnUnit;
  if (from === unit) return { ok: true, value };
  const converted = fromCanonical(toCanonical(value, from, dimension), unit, dimension);
  return { ok: true, value: Number(converted.toPrecision(DIGITS)) };
}
