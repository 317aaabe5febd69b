import type { BuildSheet } from '../../sheets/index.ts'

export interface KitPart {
  part: string
  name: string
  quantity: number
  /** how to tell it from its look-alikes */
  tell: string
  /** list numbers whose build sheets use it */
  usedBy: string[]
  /** the part of a drawing that stands for it: its outline in mm where there is one */
  outline?: [number, number][][]
}

export interface Laid {
  part: string
  name: string
  quantity: number
  position?: string
  tell: string
  reason: string
}

export interface KitLayout {
  goesIn: Laid[]
  staysOver: Laid[]
  /** alternatives of one name of which one is right */
  choices: { name: string; take: string; not: string[]; tell: string }[]
  /** needed positions that the kit does not hold */
  missing: { position: string; name: string }[]
}

/**
 * A kit laid out for one list number: each part goes to the positions that its build sheet gives it; what no position takes
 * stays over, with the list numbers that it is for; of parts of one name, which to take and how to tell.
 */
export function layOutKit(
  contents: readonly KitPart[],
  build: BuildSheet,
  needed: readonly string[],
): KitLayout {
  const goesIn: Laid[] = []
  const staysOver: Laid[] = []
  for (const { part, name, quantity, tell, usedBy } of contents) {
    const positions = build.positions.filter((position) => position.part === part)
    let left = quantity
    for (const position of positions) {
      const taken = Math.min(left, position.quantity)
      if (taken === 0) break
      goesIn.push({ part, name, quantity: taken, position: position.code, tell, reason: position.name })
      left -= taken
    }
    if (left > 0)
      staysOver.push({
        part,
        name,
        quantity: left,
        tell,
        reason: whyOver(positions.length > 0, usedBy, build.listNumber),
      })
  }
  const choices = goesIn.flatMap((laid) => {
    const not = staysOver.filter((other) => other.name === laid.name && other.part !== laid.part)
    return not.length
      ? [{ name: laid.name, take: laid.part, not: not.map((other) => other.part), tell: laid.tell }]
      : []
  })
  const inKit = new Set(goesIn.map((laid) => laid.position))
  const missing = needed
    .filter((code) => !inKit.has(code))
    .map((code) => ({
      position: code,
      name: build.positions.find((position) => position.code === code)?.name ?? code,
    }))
  return { goesIn, staysOver, choices, missing }
}

function whyOver(hasPlace: boolean, usedBy: readonly string[], listNumber: string): string {
  if (hasPlace) return 'one more than this unit takes'
  const others = usedBy.filter((other) => other !== listNumber)
  if (others.length === 0) return 'no list number here uses it'
  return `for ${others[0]}${others.length > 1 ? ` and ${others.length - 1} more` : ''}`
}
