import { QuietButton } from '../ui'

/** One field that differs between two versions, by the name it has on the sheet. */
export interface Differs {
  name: string
  mine: string
  theirs: string
}

/** What differs between two versions of a record: each field by its name, as `say` says it. */
export function differsIn<K extends string>(
  names: Readonly<Record<K, string>>,
  mine: Readonly<Partial<Record<K, unknown>>> | null,
  theirs: Readonly<Partial<Record<K, unknown>>> | null,
  say: (key: K, value: unknown) => string,
): Differs[] {
  return (Object.entries(names) as [K, string][]).flatMap(([key, name]) => {
    const [a, b] = [say(key, mine?.[key]), say(key, theirs?.[key])]
    return a === b ? [] : [{ name, mine: a, theirs: b }]
  })
}

/** Two who edited at once: what differs, and the other's way out. */
export const BothSides = ({ differ, take }: { differ: readonly Differs[]; take: () => void }) => (
  <div role="group" aria-label="Both sides">
    {differ.map((one) => (
      <p key={one.name} style={{ fontSize: 15, marginBottom: 8 }}>
        <b>{one.name}</b>
        <br />
        theirs: {one.theirs}
        <br />
        yours: {one.mine}
      </p>
    ))}
    <QuietButton onPress={take}>Take theirs</QuietButton>
  </div>
)
