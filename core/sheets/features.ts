/** What is looked at or measured of a unit to tell its list number, by the library’s name. */
export const FEATURE_NAMES: Record<string, string> = {
  draft: 'draft',
  barrels: 'barrels',
  chokeKind: 'choke',
  inletThread: 'inlet thread',
  material: 'casting',
  throttleBoreMm: 'throttle bore',
  venturiMm: 'venturi',
  flangeBoltSpacingMm: 'flange bolts',
  engineL: 'engine',
}
