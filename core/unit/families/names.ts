/** A family of units that are drawn alike; a list number's own sizes override its. */
export type FamilyName =
  | 'slide'
  | 'diaphragm'
  | 'small one-barrel'
  | 'updraft'
  | 'twin updraft'
  | 'downdraft'
  | 'four-barrel downdraft'
