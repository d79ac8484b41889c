/** 60 spools of six drying temperatures for three dryers, needed over a week. */
export const spools = Array.from({ length: 60 }, (_, i) => ({
  id: `s${i}`,
  dryingC: [45, 50, 60, 65, 70, 80][i % 6]!,
  limitC: [50, 55, 65, 75, 80, 95][i % 6]!,
  hours: 4 + ((i * 7) % 9),
  needByH: 8 + ((i * 37) % 160),
}));
export const dryers = [
  { id: 'small', slots: 2, maximumC: 70 },
  { id: 'cupboard', slots: 4, maximumC: 85 },
  { id: 'oven', slots: 6, maximumC: 120 },
];
