/** What is asked of jets, as it was typed: bores in mm, conditions as the sheet has them and as they are now. */
export interface JetsAsked {
  family: string
  main: string
  idle: string
  mainBleed: string
  nozzle: string
  altitude: string
  toAltitude: string
  temperature: string
  toTemperature: string
  /** per cent by volume */
  ethanol: string
  toEthanol: string
  /** sizes that are in the drawer or can be bought; empty: every 0.025 mm */
  mains: string
  idles: string
  screw: string
  turns: string
}

export const jetsBlank: JetsAsked = {
  family: 'plate',
  main: '1.10',
  idle: '0.40',
  mainBleed: '',
  nozzle: '',
  altitude: '0',
  toAltitude: '1600',
  temperature: '15',
  toTemperature: '15',
  ethanol: '0',
  toEthanol: '0',
  mains: '',
  idles: '',
  screw: 'fuel',
  turns: '1.5',
}
