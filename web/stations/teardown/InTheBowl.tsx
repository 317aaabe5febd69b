import { sedimentOf, sediments, type SedimentCode } from '@ekrond/core/findings'
import { Choice, Label } from '../../ui'

/** What lies in the bowl, as it is opened: by kind, several at once, or clean. Nothing is said until somebody taps. */
export function InTheBowl({
  seen,
  onSee,
}: {
  seen: readonly SedimentCode[] | null
  onSee: (kinds: readonly SedimentCode[]) => void
}) {
  const has = (code: SedimentCode) => seen?.includes(code) ?? false
  const tap = (code: SedimentCode) =>
    onSee(has(code) ? seen!.filter((one) => one !== code) : [...(seen ?? []), code])
  return (
    <div role="group" aria-label="What lies in the bowl" style={{ display: 'grid', gap: 6 }}>
      <Label>What lies in the bowl?</Label>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 6 }}>
        <Choice
          $on={seen !== null && seen.length === 0}
          aria-pressed={seen !== null && seen.length === 0}
          onPress={() => onSee([])}
        >
          Clean
        </Choice>
        {sediments.map(({ code, label }) => (
          <Choice key={code} $on={has(code)} aria-pressed={has(code)} onPress={() => tap(code)}>
            {label}
          </Choice>
        ))}
      </div>
      {seen && seen.length > 0 && (
        <p style={{ fontSize: 16 }}>
          It comes of {seen.map((code) => sedimentOf(code)!.cause).join('; of ')}. It goes on the card.
        </p>
      )}
    </div>
  )
}
