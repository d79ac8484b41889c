/** Standard gravity, m/s². Exact by definition: NIST SP 811. */
export const GRAVITY_M_PER_S2 = 9.80665;
/** 0 °C on the absolute scale, K. Exact by definition. */
export const ZERO_C_IN_K = 273.15;
/** Molar gas constant, kJ/(mol·K). CODATA 2018. */
export const GAS_CONSTANT_KJ_PER_MOL_K = 8.314462618e-3;
/** Julian year, h. */
export const HOURS_PER_YEAR = 8766;
/** Temperature at which data sheets state properties, °C. ISO 291. */
export const ROOM_C = 23;
