import { TERMS } from '../terms.ts';
import type { Word } from './word.ts';

export const printWords: readonly Word[] = [
  { id: 'orientation', word: 'Build orientation', means: TERMS.orientation, group: 'Printing' },
  {
    id: 'across-layers',
    word: 'Across the layers',
    means:
      'The direction normal to the layers (Z): the weak one. Chopped fibre lies in the layers and does not help there.',
    group: 'Printing',
  },
  {
    id: 'infill',
    word: 'Walls and infill',
    means:
      'A solid shell around a lattice. Bending is carried by the shell, so more walls are usually worth more than more infill.',
    group: 'Printing',
  },
  {
    id: 'machine-fit',
    word: 'Machine fit',
    means:
      'Whether a machine reaches the nozzle, bed and chamber temperatures, resists the wear and has the build volume. A blocker shows the upgrade that removes it, and its cost.',
    group: 'Printing',
  },
  {
    id: 'drying',
    word: 'Drying',
    means:
      'Water in the filament boils in the nozzle and leaves pores. Drying time depends on polymer, temperature and moisture; too hot fuses the spool.',
    group: 'Printing',
  },
  {
    id: 'out-of-dryer',
    word: 'Time out of the dryer',
    means: 'How long a spool may be stored in this air before it must be dried again.',
    group: 'Printing',
  },
  {
    id: 'warp',
    word: 'Warp index',
    means:
      'How hard the corners pull upwards while the print cools, against how well the bed holds them. Above 1 they lift.',
    group: 'Printing',
  },
  {
    id: 'flow',
    word: 'Flow limit',
    means:
      'How much a hot end can melt in a second, mm³/s. It sets the speed of a large part, not the speed of the axes.',
    group: 'Printing',
  },
  {
    id: 'abrasive',
    word: 'Abrasive',
    means:
      'Fibre, glow and some white pigments grind a brass nozzle. A hardened one is needed; its wear is in the cost.',
    group: 'Printing',
  },
  {
    id: 'anneal',
    word: 'Annealing',
    means:
      'Warming the finished part so that it crystallises or lets its tensions go: stiffer when hot, and a little smaller.',
    group: 'Printing',
  },
  {
    id: 'treatment',
    word: 'Treatment',
    means: 'Post-processing: annealing, conditioning, smoothing. Each changes properties and takes time.',
    group: 'Printing',
  },
  {
    id: 'foaming',
    word: 'Foaming grade',
    means: 'Its nozzle temperature decides how much it foams, and so how dense, hard and strong it comes out.',
    group: 'Printing',
  },

  {
    id: 'chopped',
    word: 'Chopped fibre',
    means:
      'Short fibres mixed into the filament. Stiffer, less creep and less warp; usually less impact, less elongation and a weaker bond between layers.',
    group: 'Fibre',
  },
  {
    id: 'strand',
    word: 'Strand',
    means:
      'A continuous fibre in a thin coat of polymer, laid along the load by a second nozzle. Orders of magnitude stronger along itself, no help across the layers.',
    group: 'Fibre',
  },
  {
    id: 'layup',
    word: 'Layup',
    means: 'The stack of layers and their angles, written like [0/45/−45/90]s. The s says that it is mirrored.',
    group: 'Fibre',
  },
  { id: 'ply', word: 'Ply', means: 'One layer of a stack, with an angle and a thickness.', group: 'Fibre' },
  {
    id: 'abd',
    word: 'A, B, D',
    means:
      'Stiffness of a stack against stretching (A), bending (D), and how far one causes the other (B). B is nil for a mirrored stack; otherwise it bows when it cools.',
    group: 'Fibre',
  },
  {
    id: 'first-ply',
    word: 'First ply, last ply',
    means: 'How many times the load until the first layer of the stack fails, and until the last one does.',
    group: 'Fibre',
  },
  {
    id: 'criterion',
    word: 'Failure criterion',
    means:
      'How stresses along and across the fibre are put together. Three are shown; where they differ much, trust none of them without a test.',
    group: 'Fibre',
  },
  {
    id: 'loop',
    word: 'Loop',
    means: 'A strand around a hole or two. It carries pull, and loses strength where it is bent tightly.',
    group: 'Fibre',
  },

  {
    id: 'agent',
    word: 'Chemical',
    means:
      'A substance in contact with the part: oil, cleaner, sea water. Checked by temperature, concentration, type and time of contact.',
    group: 'Surroundings',
  },
  {
    id: 'stress-cracking',
    word: 'Stress cracking',
    means:
      'A fluid that does not harm the unloaded polymer may crack it under tension, mostly amorphous polymers in fats, fuels and cleaners.',
    group: 'Surroundings',
  },
  {
    id: 'electrostatic',
    word: 'Electrostatic range',
    means:
      'Surface resistance. Conductive below 10⁴ Ω, dissipative up to 10¹¹ Ω, insulating from there. Carbon-filled is not the same as dissipative.',
    group: 'Surroundings',
  },
  {
    id: 'flame',
    word: 'Flame class',
    means:
      'UL 94, at a thickness. A rating of a thicker bar does not cover a thinner wall, and belongs to the raw grade and not to a printed part.',
    group: 'Surroundings',
  },
  {
    id: 'oxygen-index',
    word: 'Oxygen index',
    means: 'How much oxygen the air needs for the polymer to go on burning. Air has 21 %.',
    group: 'Surroundings',
  },
  {
    id: 'outdoors',
    word: 'Kept outdoors',
    means: 'The share of its strength that is left after so many hours of sun and rain.',
    group: 'Surroundings',
  },
  {
    id: 'swelling',
    word: 'Swelling',
    means: 'Growth by water uptake. A fit must allow for it, for thermal expansion and for the scatter of the print.',
    group: 'Surroundings',
  },
  {
    id: 'claim',
    word: 'Claim',
    means: 'A statement by the maker, such as food contact, with its scope. Outside that scope it is unknown.',
    group: 'Surroundings',
  },
];
