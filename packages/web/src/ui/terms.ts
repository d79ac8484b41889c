/** Explanations of the field's words, one place each. */
export const TERMS = {
  reserve: 'Reserve factor (RF): capacity divided by demand. 1.00 or more passes; 2.00 is twice the requirement.',
  governs: 'The check with the minimum reserve factor. Improving any other check does not change the result.',
  evidence:
    'How good the number behind a reserve is. A: own bench, five or more specimens. B: own bench, three or more, or a data sheet on printed specimens at this condition. C: adjusted from another condition. D: typical of the family, an estimate.',
  chance:
    'In how many of 4,000 draws every check is met, when stiffness, strength, heat curve and loads scatter as much as their evidence says. The same random numbers for every grade and every run.',
  typical:
    'A pass that rests on values typical of the family (evidence D). This grade was not tested for it: test it before relying on it.',
  ownHeatLimit:
    'The lowest of three temperatures: where this part, under its own loads for their own duration, first fails a check of strength or movement; its form limit, its form limit; and where air ages it in the time asked. A heat deflection temperature (HDT) asks only the first, of a standard bar.',
  orientation:
    'ISO/ASTM 52921, by how the part lies on the bed. XY: flat, its shortest edge up. XZ: on edge. ZX: upright, its longest edge up.',
} as const;
