/** A station: what every room and page knows of it. What it shows and counts is the bench’s. */
interface StationRow {
  title: string
  /** the key that opens it, its place among all ten */
  number: number
  /** what is done here, said to somebody who is to do it */
  doing: string
  /** its work is on the unit itself: over once that went back, when it is put right at the others */
  onUnit: boolean
  /** the unit lies apart here */
  apart: boolean
}

const rows = {
  receive: { title: 'Receive', number: 1, doing: 'receive it', onUnit: false, apart: false },
  identify: { title: 'Identify', number: 2, doing: 'identify it', onUnit: false, apart: false },
  asfound: { title: 'As found', number: 3, doing: 'record as found', onUnit: false, apart: false },
  teardown: { title: 'Teardown', number: 4, doing: 'take it apart', onUnit: true, apart: true },
  clean: {
    title: 'Clean',
    number: 5,
    doing: 'clean it and blow its passages',
    onUnit: true,
    apart: true,
  },
  parts: { title: 'Parts', number: 6, doing: 'order parts', onUnit: true, apart: true },
  build: { title: 'Build', number: 7, doing: 'assemble it', onUnit: true, apart: true },
  set: { title: 'Set', number: 8, doing: 'set it', onUnit: false, apart: false },
  prove: { title: 'Prove', number: 9, doing: 'test it on the bench', onUnit: true, apart: false },
  return: {
    title: 'Return',
    number: 0,
    doing: 'clear the open items',
    onUnit: false,
    apart: false,
  },
} satisfies Readonly<Record<string, StationRow>>

/** The one name that a station has everywhere: folder, route, menu, test. */
export type StationName = keyof typeof rows

/** Every station, in the order of the work. */
export const stationList: readonly ({ name: StationName } & StationRow)[] = (
  Object.keys(rows) as StationName[]
).map((name) => ({ name, ...rows[name] }))

export const stationNamed = (name: StationName): StationRow => rows[name]
