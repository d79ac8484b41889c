import type { Check } from '../engine/check.ts';
import { judged, unknown } from '../engine/outcome.ts';

/** Light through its walls. A clear polymer does not make a clear print: every bead scatters. */
export const clarity: Check = {
  id: 'clarity',
  title: 'Light transmission',
  anyWayUp: true,
  asks: 'Do its walls let enough light through?',
  applies: ({ brief }) => brief.asks.clarity !== undefined,
  evaluate({ brief, material, body }, working) {
    const { family, filler, grade } = material;
    const transmission = material.property('lightTransmission');
    const wanted = brief.asks.clarity!;
    working?.add('t', 'Thinnest wall', body.thinnestMm, 'mm');
    if (filler) return judged('fail', 'D', `${filler.name} makes it opaque`);
    if (!family) return unknown('', ['Polymer not stated: print a plate as thick as the wall and look through it']);
    working?.add('', 'Natural polymer', family.clarity, '', { source: 'typical of the family, thin wall' });
    if (family.clarity === 'opaque') return judged('fail', 'D', `${family.abbreviation} is opaque`);
    const pale = grade.colours.filter((colour) => /clear|natural|transparent|amber/i.test(colour));
    if (grade.colours.length > 0 && pale.length === 0)
      return judged('fail', 'C', `Made only in ${grade.colours.join(', ')}`);
    if (wanted === 'lets-light-through')
      return judged(
        'pass',
        'D',
        `${family.abbreviation} is ${family.clarity}; pigment and walls decide how much light comes`,
      );
    if (transmission.known && transmission.value >= 80 && transmission.evidence <= 'B')
      return judged(
        'pass',
        transmission.evidence,
        `Lets ${transmission.value.toFixed(0)} % of light through as printed`,
      );
    if (family.clarity === 'translucent') return judged('fail', 'D', `${family.abbreviation} is only translucent`);
    return unknown('', [
      `${family.abbreviation} is clear as a raw grade; a print scatters light at every bead. Print a plate as thick as the wall, hot, slow and in thick layers, polish or coat it, and look through it`,
    ]);
  },
};

/** The colours it is made in against the one wanted, or against black. */
export const colour: Check = {
  id: 'colour',
  title: 'Colour',
  anyWayUp: true,
  asks: 'Is it available in an acceptable colour?',
  applies: ({ brief }) => brief.asks.colour !== undefined,
  evaluate({ brief, material }) {
    const { wanted, notBlack } = brief.asks.colour!;
    const { grade, filler } = material;
    const colours = grade.colours.length > 0 ? grade.colours : filler?.colours === 'black only' ? ['black'] : [];
    if (colours.length === 0) return unknown('', ['Its colours are not stated: ask the maker']);
    const evidence = grade.colours.length > 0 ? 'C' : 'D';
    const same = (a: string) => wanted !== undefined && a.toLowerCase() === wanted.toLowerCase();
    if (wanted !== undefined && !colours.some(same))
      return judged('fail', evidence, `Made in ${colours.join(', ')}, not in ${wanted}`);
    const others = colours.filter((one) => !/black/i.test(one));
    if (notBlack && others.length === 0)
      return judged('fail', evidence, filler ? `Only in black: ${filler.name.toLowerCase()}` : 'Made only in black');
    return judged(
      'pass',
      evidence,
      `Made in ${(wanted === undefined ? others : colours.filter(same)).join(', ') || colours.join(', ')}`,
    );
  },
};

/** Layer lines that do not show: matt fillers break them up; others need work. */
export const layerLines: Check = {
  id: 'layer-lines',
  title: 'Hidden layer lines',
  anyWayUp: true,
  asks: 'Are the layer lines hidden without finishing?',
  applies: ({ brief }) => brief.asks.layerLinesHidden === true,
  evaluate({ material }) {
    const { family, filler } = material;
    if (filler?.hidesLayerLines) return judged('pass', 'D', `${filler.name} gives a matt surface that hides them`);
    if (!family) return unknown('', ['Polymer not stated: print a sample and look']);
    const [bath] = family.solvents;
    const remedy = bath
      ? ` Sand and coat it, or smooth it with ${bath}: that takes strength from some polymers, and its vapour is harmful`
      : ' Sand and coat it';
    return judged('fail', 'D', `Bare ${family.abbreviation} shows them.${remedy}`);
  },
};
