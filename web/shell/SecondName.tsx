import { isOnePersons } from '@ekrond/core/log'
import { usePerson } from '../data/person'
import { useShop } from '../data/shop'
import type { OpenJob } from '../data/job'
import { FieldSelect, Label } from '../ui'

/** Whether these hands answer alone: nobody else is in the shop, and nobody else worked on the job. */
export function useAlone(open: OpenJob): boolean {
  const shop = useShop().data
  const { person } = usePerson()
  return (
    shop !== undefined &&
    shop.people.every(({ name }) => name === person) &&
    isOnePersons(open.state, person ?? '')
  )
}

/** Who answers for it with these hands. Whoever did the work is listed, and may not; in a shop of one the paper says so. */
export function SecondName({
  open,
  value,
  set,
  worker = null,
  label = 'Second name',
}: {
  open: OpenJob
  value: string
  set: (name: string) => void
  worker?: string | null
  label?: string
}) {
  const shop = useShop().data
  const { person } = usePerson()
  const alone = useAlone(open)
  if (alone)
    return <p style={{ fontSize: 15, color: 'var(--pencil)' }}>Signed by one person; the sheet says so.</p>
  return (
    <label>
      <Label>{label}</Label>
      <FieldSelect value={value} onChange={(event) => set(event.target.value)}>
        <option value="">choose</option>
        {shop?.people
          .filter(({ name }) => name !== person)
          .map(({ name }) => (
            <option key={name} value={name} disabled={name === worker}>
              {name === worker ? `${name}: did this work` : name}
            </option>
          ))}
      </FieldSelect>
    </label>
  )
}
