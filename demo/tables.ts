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
  gasket: 240,
}

const NAME_OF: Record<string, string> = {
  'SE-280': 'Seat',
  'WA-160': 'Seat washer',
  'SL-05': 'Coil seal',
  'WA-050': 'Seat washer',
  'WA-150': 'Seat washer',
}

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
        GASKETS[part]?.tell ?? '',
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
      rows: sorted.flatMap(([part, { kind }], i) => {
        const base = price(part, kind)
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
        ['31-B', 'Kit 31-B, K-44 and K-45', 'hollin', 2480, 1, 4],
        ['31-V', 'Kit 31-V, K-44 short', 'ansty', 2190, 0, 2],
        ['7-A', 'Kit 7-A, U7', 'hollin', 920, 1, 9],
        ['26-A', 'Kit 26-A, S26', 'ansty', 1340, 0, 3],
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
        ['JT-110', 1],
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
      ],
    },
  ]
}

const quote = (cell: string | number) =>
  /[",\n]/.test(String(cell)) ? `"${String(cell).replaceAll('"', '""')}"` : String(cell)

export const toCsv = ({ columns, rows }: Table): string =>
  [columns, ...rows].map((row) => row.map(quote).join(',')).join('\n') + '\n'
