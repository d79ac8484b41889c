import { inUnits } from './inUnits.ts';

const inch = (text: string) => inUnits(text, 'inchPound');

test.each([
  ['Brittle below 10 °C', 'Brittle below 50 °F'],
  ['it holds only to −5 °C, and sits in 40 °C', 'it holds only to 23 °F, and sits in 104 °F'],
  ['Depth along the load 25.4 mm', 'Depth along the load 1 in'],
  ['2.54 mm of ABS around PETG', '0.1 in of ABS around PETG'],
  ['stressed to 6.895 MPa by 44.48 N', 'stressed to 1000 psi by 10 lbf'],
  ['within ±0.254 mm', 'within ±0.01 in'],
  ['a knock of 1.356 J', 'a knock of 1 ft·lbf'],
])('“%s” reads “%s”', (metric, imperial) => {
  expect(inch(metric)).toBe(imperial);
  expect(inUnits(metric, 'metric')).toBe(metric);
});

test('both ends of a range have the unit that is said once', () => {
  expect(inch('from 10 to 35 °C')).toBe('from 50 to 95 °F');
  expect(inch('Steam, 121 and 134 °C')).toBe('Steam, 250 and 273 °F');
});

test.each([
  'the dryer heats 10 K above it',
  'keeping 60 % of its strength for 14 days',
  'Demand 0.02 MPa·m/s',
  '20 g/10 min at 2.16 kg',
  'Nylon 6 G30 is 5 mmol',
  'needs 12 mm²',
])('“%s” has nothing to change', (text) => expect(inch(text)).toBe(text));

test('sides of a thing are all in the unit of the last; a number of times is not', () => {
  expect(inch('Footprint 254 × 127 mm does not fit on 220 × 220 mm')).toBe(
    'Footprint 10 × 5 in does not fit on 8.66 × 8.66 in',
  );
  expect(inch('4 × 25 N')).toMatch(/^4 × 5\.62 lbf$/);
});
