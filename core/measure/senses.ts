import { MM_PER_INCH } from '../base/constants/index.ts'
import { numberDrills } from './drills.ts'

export interface ReadingSense {
  as: string
  mm: number
}

/**
 * The other senses of a bare figure that fit a field about as well as the one the field's unit gives: a drill number,
 * thousandths of an inch, hundredths of a millimetre, the other unit (a ratio of 25.4).
 * `mm` is the plain sense, `target` the spec (mm). A sense fits within `within` of the target, as a share.
 * Empty where the plain sense fits, or where none other does: then nothing needs to be asked.
 */
export function otherSenses(text: string, mm: number, target: number, within = 0.35): ReadingSense[] {
  const bare = /^(\d+(?:[.,]\d+)?|[.,]\d+)$/.exec(text.trim())
  if (!bare || !(target > 0)) return []
  const fits = (value: number) => Math.abs(value - target) <= within * target
  if (fits(mm)) return []
  const figure = Number(text.trim().replace(',', '.'))
  const senses: ReadingSense[] = [
    { as: `${figure} in`, mm: figure * MM_PER_INCH },
    { as: `${figure} mm`, mm: figure },
  ]
  if (Number.isInteger(figure)) {
    const drill = numberDrills[figure - 1]
    if (drill) senses.push({ as: `drill #${figure}`, mm: drill.mm })
    senses.push({ as: `${figure} thousandths of an inch`, mm: (figure / 1000) * MM_PER_INCH })
    senses.push({ as: `${figure} hundredths of a millimetre`, mm: figure / 100 })
  }
  return senses.filter((sense) => Math.abs(sense.mm - mm) > 1e-6 && fits(sense.mm))
}
