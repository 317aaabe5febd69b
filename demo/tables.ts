import type { Model } from '@ekrond/core/sheets'

/** The flat tables of the demo shop: what its suppliers sell, what lies on its shelf, who works there, what is in the drawer. */
export interface Table {
  file: string
  columns: string[]
  rows: (string | number)[][]
}

const GASKETS: Record<string, { tell: string; drawing: string; price: number }> = {
  'GK-441A': { tell: 'narrow bores', drawing: 'gasket two-bore 31 small 1', price: 260 },
  'GK-441C': { tell: 'wide bores', drawing: 'gasket two-bore 37 small 1', price: 280 },
  'GK-442A': { tell: 'one small hole at the pump side', drawing: 'gasket two-bore 31 small 1', price: 240 },
  'GK-442B': {
    tell: 'the second small hole at the pump side',
    drawing: 'gasket two-bore 31 small 2',
    price: 240,
  },
  'GK-442C': { tell: 'wider bores', drawing: 'gasket two-bore 37 small 2', price: 260 },
  'GK-443': { tell: 'thick', drawing: 'gasket two-bore 34 small 0', price: 180 },
  'GK-801': { tell: 'narrow bores', drawing: 'gasket two-bore 35 small 2', price: 340 },
  'GK-801W': { tell: 'wide bores', drawing: 'gasket two-bore 38 small 2', price: 360 },
  'GK-802': { tell: 'four bores, one slot', drawing: 'gasket two-bore 36 small 2', price: 320 },
  'GK-803': { tell: 'thick', drawing: 'gasket two-bore 37 small 0', price: 220 },
  'GK-121': { tell: 'round, one hole', drawing: 'gasket bowl 46 small 1', price: 110 },
  'GK-241': { tell: 'two bores', drawing: 'gasket two-bore 29 small 1', price: 250 },
  'GK-242': { tell: 'three small holes', drawing: 'gasket two-bore 29 small 2', price: 240 },
  'GK-243': { tell: 'thick', drawing: 'gasket two-bore 32 small 0', price: 190 },
  'GK-311': { tell: 'narrow', drawing: 'gasket bowl 40 small 1', price: 80 },
  'GK-312': { tell: 'wide', drawing: 'gasket bowl 44 small 1', price: 85 },
  'GK-711': { tell: 'narrow', drawing: 'gasket bowl 50 small 1', price: 90 },
  'GK-712': { tell: 'wide', drawing: 'gasket bowl 56 small 1', price: 95 },
}

const PRICE_BY_KIND: Record<string, number> = {
  float: 1890,
  needle: 640,
  seat: 780,
  jet: 310,
  pump: 890,
  washer: 35,
  seal: 60,
  ball: 45,
  nozzle: 720,
  screen: 210,
  mixtureScrew: 430,
  meteringNeedle: 980,
  slide: 760,
  diaphragm: 1650,
  gasket: 240,
}

const NAME_OF: Record<string, string> = {
  'SE-280': 'Seat',
  'WA-160': 'Seat washer',
  'SL-05': 'Coil seal',
  'WA-050': 'Seat washer',
  'WA-150': 'Seat washer',
}

/** Jets that a supplier has beside those of the sheets, hundredths of a mm: sizes between, and those that another fuel asks for. */
const LOOSE_JETS = [
  38, 42, 48, 50, 52, 54, 56, 58, 102, 108, 112, 118, 122, 128, 132, 138, 142, 148, 152, 158, 170, 175, 205,
  210, 220, 230, 240, 250,
]

export function tables(models: readonly Model[]): Table[] {
  const parts = new Map<string, { name: string; kind: string; material: string }>()
  for (const model of models)
    for (const position of model.build.positions) {
      const numbers = [position.part, ...model.listNumbers.map((item) => item.parts[position.code])]
      for (const part of numbers)
        if (part) parts.set(part, { name: position.name, kind: position.kind, material: position.material })
    }
  for (const [part, name] of Object.entries(NAME_OF))
    if (!parts.has(part))
      parts.set(part, {
        name,
        kind: part.startsWith('SE') ? 'seat' : part.startsWith('WA') ? 'washer' : 'seal',
        material: part.startsWith('SE') ? 'brass' : 'copper',
      })
  for (const size of LOOSE_JETS) {
    const part = `JT-${String(size).padStart(3, '0')}`
    if (!parts.has(part))
      parts.set(part, { name: size < 60 ? 'Idle jet' : 'Main jet', kind: 'jet', material: 'brass' })
  }
  const sorted = [...parts].sort(([a], [b]) => (a < b ? -1 : 1))
  const price = (part: string, kind: string) => GASKETS[part]?.price ?? PRICE_BY_KIND[kind] ?? 150

  return [
    {
      file: 'parts.csv',
      columns: ['part', 'name', 'kind', 'material', 'tell', 'drawing'],
      rows: sorted.map(([part, { name, kind, material }]) => [
        part,
        GASKETS[part] ? name.replace(/,.*/, '') : name.replace(/, (primary|secondary|left|right)$/, ''),
        kind,
        material,
        GASKETS[part]?.tell ?? (kind === 'jet' ? `${(Number(part.slice(3)) / 100).toFixed(2)} mm` : ''),
        GASKETS[part]?.drawing ?? kind,
      ]),
    },
    {
      file: 'suppliers.csv',
      columns: ['supplier', 'name', 'shipping_minor'],
      rows: [
        ['hollin', 'Hollin’s', 450],
        ['ansty', 'Ansty’s van', 1090],
      ],
    },
    {
      file: 'prices.csv',
      columns: ['part', 'supplier', 'price_minor', 'lead_days'],
      rows: sorted.flatMap(([part, { kind }]) => {
        const base = price(part, kind)
        const i = [...part].reduce((sum, sign) => sum * 31 + sign.charCodeAt(0), 7) % 45
        const rows: (string | number)[][] = []
        // Each lacks something: a shop never finds all at one door.
        if (i % 9 !== 4 || kind === 'float') rows.push([part, 'hollin', base, kind === 'float' ? 2 : 1])
        if (i % 5 !== 2) rows.push([part, 'ansty', Math.round(base * 1.12), kind === 'float' ? 1 : 0])
        return rows
      }),
    },
    {
      file: 'kits.csv',
      columns: ['kit', 'name', 'supplier', 'price_minor', 'lead_days', 'stock'],
      rows: [
        ['31-B', 'Kit 31-B, K-44 and K-45', 'hollin', 1980, 1, 4],
        ['31-V', 'Kit 31-V, K-44 short', 'ansty', 1690, 0, 2],
        ['7-A', 'Kit 7-A, U7', 'hollin', 920, 1, 9],
        ['26-A', 'Kit 26-A, S26', 'ansty', 1340, 0, 3],
        ['80-A', 'Kit 80-A, Q-80', 'hollin', 3980, 2, 3],
        ['12-A', 'Kit 12-A, 12T', 'ansty', 1180, 1, 4],
        ['24-A', 'Kit 24-A, 24T', 'hollin', 2240, 2, 2],
        ['32-A', 'Kit 32-A, D32', 'ansty', 1760, 1, 5],
        ['34-A', 'Kit 34-A, B34 for one body', 'ansty', 1490, 1, 12],
        ['3-A', 'Kit 3-A, U3', 'hollin', 690, 1, 8],
      ],
    },
    {
      file: 'kit-holds.csv',
      columns: ['kit', 'part', 'quantity'],
      rows: [
        ...[
          'GK-441A',
          'GK-441C',
          'GK-442A',
          'GK-442B',
          'GK-442C',
          'GK-443',
          'SE-240',
          'SE-280',
          'ND-24',
          'WA-080',
          'WA-160',
          'PC-120',
          'BA-040',
          'SL-05',
        ].map((part) => ['31-B', part, 1]),
        ...['GK-441A', 'GK-442A', 'GK-442B', 'ND-24', 'WA-080'].map((part) => ['31-V', part, 1]),
        ...['GK-711', 'GK-712', 'ND-18', 'WA-080', 'WA-100', 'WA-120', 'SL-11'].map((part) => [
          '7-A',
          part,
          1,
        ]),
        ...['SL-26', 'ND-20', 'SE-200', 'MX-26', 'EP-26'].map((part) => ['26-A', part, 1]),
        ...['GK-801', 'GK-801W', 'GK-802', 'GK-803', 'ND-28', 'ND-24', 'WA-080', 'PC-140', 'BA-040'].map(
          (part) => ['80-A', part, 1],
        ),
        ...['GK-121', 'ND-24T', 'ND-20T', 'WA-080T', 'WA-100T', 'WA-120T', 'SL-12'].map((part) => [
          '12-A',
          part,
          1,
        ]),
        ...['GK-241', 'GK-242', 'GK-243', 'ND-24S', 'WA-080'].map((part) => ['24-A', part, 1]),
        ...['SL-32', 'ND-22', 'MX-32', 'EP-32', 'DM-05'].map((part) => ['32-A', part, 1]),
        ...['SL-34', 'ND-18Q', 'MX-34'].map((part) => ['34-A', part, 1]),
        ...['GK-311', 'GK-312', 'ND-14', 'SL-03'].map((part) => ['3-A', part, 1]),
      ] as (string | number)[][],
    },
    {
      file: 'shelf.csv',
      columns: ['part', 'quantity'],
      rows: [
        ['WA-080', 6],
        ['WA-100', 3],
        ['WA-120', 2],
        ['BA-040', 4],
        ['SL-11', 5],
        ['JT-105', 1],
        ['JT-108', 1],
        ['JT-110', 1],
        ['JT-112', 2],
        ['JT-118', 1],
        ['JT-122', 1],
        ['JT-038', 1],
        ['JT-042', 2],
      ],
    },
    {
      file: 'gauges.csv',
      columns: ['gauge', 'name', 'kind', 'resolution_mm', 'repeatability_mm'],
      rows: [
        ['caliper-2', 'caliper 2', 'caliper', 0.01, 0.06],
        ['rule', 'steel rule', 'rule', 0.5, 0.2],
        ['stepped', 'stepped gauge', 'stepped', 0.25, 0.08],
        ['drills', 'drill index', 'drills', 0.02, 0.03],
        ['pins', 'pin gauges', 'pins', 0.01, 0.005],
        ['indicator', 'dial indicator', 'indicator', 0.01, 0.005],
        ['feeler', 'feeler leaves', 'feeler', 0.01, 0.01],
        ['micrometer', 'micrometer', 'micrometer', 0.001, 0.002],
        ['meter', 'hand meter', 'meter', 0.1, 0.1],
        ['scale', 'bench scale', 'scale', 0.1, 0.05],
      ],
    },
    {
      file: 'people.csv',
      columns: ['person', 'name', 'initials'],
      rows: [
        ['marrow', 'I. Marrow', 'IM'],
        ['oda', 'R. Oda', 'RO'],
        ['dell', 'O. Dell', 'OD'],
      ],
    },
    {
      file: 'customers.csv',
      columns: ['customer', 'engine', 'equipment'],
      rows: [
        ['Osk chain ferry', 'ferry main, 2.2 L', 'chain windlass'],
        ['Upper orchard co-operative', 'frost fan, 2.6 L', 'frost fan 12'],
        ['Lower orchard co-operative', 'spray rig, 0.3 L', 'spray rig 3'],
        ['Brake Hill hop kiln', 'blower, 0.24 L', 'kiln blower'],
        ['Osk skating rink', 'resurfacer, 1.8 L', 'ice resurfacer'],
        ['Weir Road tramway', 'trolley twin, 0.36 L', 'inspection trolley'],
        ['Osk cannery', 'lift truck, 2.0 L', 'lift truck 9'],
        ['Osk cannery', 'conveyor, 1.4 L', 'conveyor engine'],
        ['Marl quarry', 'pump engine, 3.1 L', 'sump pump'],
        ['Osk Valley rescue boat', 'boat four, 1.2 L', 'rescue boat'],
        ['Heron mill', 'standby set, 5.2 L', 'standby generator'],
      ],
    },
  ]
}

const quote = (cell: string | number) =>
  /[",\n]/.test(String(cell)) ? `"${String(cell).replaceAll('"', '""')}"` : String(cell)

export const toCsv = ({ columns, rows }: Table): string =>
  [columns, ...rows].map((row) => row.map(quote).join(',')).join('\n') + '\n'
