import type { Position } from '@ekrond/core/sheets'

/** A build position with the usual answers filled in: what is not said is an ordinary part in tray A that is judged by eye. */
export const position = (
  code: string,
  name: string,
  kind: Position['kind'],
  layer: number,
  more: Partial<Position> = {},
): Position => ({
  code,
  name,
  kind,
  part: null,
  quantity: 1,
  material: 'steel',
  circuit: 'none',
  layer,
  group: 'all',
  tray: 'A',
  step: '',
  underneath: '',
  cautions: [],
  always: false,
  ethanolLimit: null,
  deciding: null,
  stays: false,
  proof: '',
  ...more,
})
