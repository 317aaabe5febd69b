import { figure } from '../../measure/index.ts'
import type { FloatGeometry } from '../../sheets/index.ts'
import type { Remedy } from '../../log/index.ts'

/** Nothing is adjusted here: the part is looked at, or renewed. */
export const renew = (of: string, words: string, detail: string): Remedy => ({
  action: 'renew',
  of,
  way: '',
  amount: 0,
  unit: '',
  words,
  detail,
  short: words.split('. ')[0]!.replace(/\.$/, ''),
})

/** A float whose arm is bent near its pin: how far and which way its measuring point goes, mm; `first` stands before the caution. */
export function armRemedy(
  value: number,
  target: number,
  { sense, measurePoint }: Pick<FloatGeometry, 'sense' | 'measurePoint'>,
  first = '',
): Remedy {
  const from = sense === 1 ? 'the face' : 'the bowl floor'
  const way = target > value ? `further from ${from}` : `nearer to ${from}`
  const amount = Math.abs(target - value)
  return {
    action: 'bend arm',
    of: 'arm',
    way,
    amount,
    unit: 'mm',
    words: `Bend the float’s arm near its pin until it reads ${figure(target)}: the ${measurePoint.name} ${figure(amount)} mm ${way}.`,
    detail: `${first}hold the arm with pliers at the pin, never press the needle into its seat`,
    short: `arm, ${measurePoint.name} ${figure(amount)} mm ${way}`,
  }
}
