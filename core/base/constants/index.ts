/** Standard acceleration of free fall, m/s² (CGPM 1901). */
export const GRAVITY = 9.80665
/** Air at the sea: the standard atmosphere’s pressure, kPa. */
export const SEA_LEVEL_KPA = 101.325
/** Specific gas constant of dry air, J/(kg·K). */
export const AIR_GAS_CONSTANT = 287.05
/** 0 °C, K. */
export const ZERO_CELSIUS_K = 273.15
/** One inch, mm: exact since 1959. */
export const MM_PER_INCH = 25.4
