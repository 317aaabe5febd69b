import { bodyNumbers, bodyOf, lastSaid, type JobState, type SheetsByBody } from '../../log/index.ts'
import { dispositionWord, settingKey, teardownOrder } from '../../sheets/index.ts'
import { showValue } from '../../measure/index.ts'

/** One check on one body of a bank. */
export interface BankCell {
  words: string
  state: 'nobody' | 'open' | 'good'
}
export interface BankRow {
  key: string
  name: string
  what: 'part' | 'setting'
  cells: BankCell[]
  /** looked at on some bodies and not on others */
  uneven: boolean
}

const NOBODY: BankCell = { words: '', state: 'nobody' }

/**
 * A bank check by check and body by body: each part's judgement and each setting's reading, so that no body goes untested. Rows are
 * those of the first body that is identified; a body with other sheets has nothing where it lacks them.
 */
export function bankGrid(state: JobState, all: SheetsByBody): BankRow[] {
  const numbers = bodyNumbers(state)
  const sheets = numbers.map((body) => all[body]).find((one) => one !== undefined)
  if (!sheets) return []
  const row = (
    key: string,
    name: string,
    what: BankRow['what'],
    cellOf: (body: number) => BankCell,
  ): BankRow => {
    const cells = numbers.map((body) => (all[body] ? cellOf(body) : NOBODY))
    const seen = cells.filter((cell) => cell.state !== 'nobody').length
    return { key, name, what, cells, uneven: seen > 0 && seen < cells.length }
  }
  const parts = [
    ...teardownOrder(sheets.build),
    ...sheets.build.positions.filter((one) => one.stays && one.deciding),
  ]
  return [
    ...parts.map(({ code, name }) =>
      row(code, name, 'part', (body) => {
        const finding = lastSaid(bodyOf(state, body).findings[code])
        if (!finding) return NOBODY
        const words = `${finding.raw ? `${finding.raw}, ` : ''}${dispositionWord[finding.disposition].toLowerCase()}`
        return { words, state: finding.disposition === 'reuse' && finding.sure ? 'good' : 'open' }
      }),
    ),
    ...sheets.spec.settings
      .filter(({ set }) => set)
      .map((setting) =>
        row(settingKey(setting), setting.name, 'setting', (body) => {
          const reading = lastSaid(bodyOf(state, body).readings[settingKey(setting)])
          return reading
            ? {
                words: showValue(reading.value, setting.quantity),
                state: reading.shown.verdict === 'in' ? 'good' : 'open',
              }
            : NOBODY
        }),
      ),
  ]
}
