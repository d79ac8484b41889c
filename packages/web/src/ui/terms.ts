/** Explanations of the field's words, one place each. */
export const TERMS = {
  reserve:
    'Reserve factor: what the grade gives divided by what the part asks. 1.00 or more passes; 2.00 has twice what is needed.',
  governs: 'The check with the smallest reserve. It decides; improving anything else changes nothing.',
  evidence:
    'How good the number behind a reserve is. A: own bench, five or more specimens. B: own bench, three or more, or a data sheet on printed specimens at this condition. C: carried over from another condition. D: typical of the family, an estimate.',
  chance:
    'In how many of 4,000 draws every check is met, when stiffness, strength, heat curve and loads scatter as much as their evidence says. The same luck for every grade, the same numbers each time.',
  typical:
    'A pass that rests on values typical of the family (evidence D). Nobody tested this grade for it: it says what is worth a test, and promises nothing.',
  ownHeatLimit:
    'The lowest of three temperatures: where this part, under its own loads for their own duration, first fails a check of strength or movement; its form limit, where it loses its shape whatever it carries; and where air ages it in the time asked. A heat deflection temperature (HDT) asks only the first, of a standard bar.',
  orientation:
    'ISO/ASTM 52921, by how the part lies on the bed. XY: flat, its shortest edge up. XZ: on edge. ZX: upright, its longest edge up.',
} as const;
