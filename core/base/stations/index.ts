/** The stations that exist, by the one name that each has everywhere. */
export type StationName =
  | 'receive'
  | 'identify'
  | 'asfound'
  | 'teardown'
  | 'clean'
  | 'parts'
  | 'build'
  | 'set'
  | 'prove'
  | 'return'
