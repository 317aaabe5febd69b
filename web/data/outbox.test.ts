import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { after, emptyOutbox, keepsAll, type Act, type Happened, type Outbox, type Queued } from './outbox'

const JOBS = ['one', 'two']

const item = (n: number, job: string, more: { after?: string } = {}): Queued => {
  const id = `e${n}`
  const at = new Date(Date.UTC(2026, 10, 24, 10, 0, n)).toISOString()
  const entry = { id, job, kind: 'note.written', v: 1, data: { text: id }, by: 'I. Marrow', at, ...more }
  return { id, job, entry }
}

/** A browser with its store and one window, and a server that takes each entry once, or refuses the same ones always. */
class World {
  outbox: Outbox = emptyOutbox
  todo: Act[] = []
  store: Queued[] = []
  /** a page’s own notes of what is not in the store yet */
  notes = new Map<string, readonly Queued[]>()
  works = true
  server = new Map<string, string[]>(JOBS.map((job) => [job, []]))
  entered: Queued[] = []
  constructor(readonly refuses: (id: string) => boolean) {
    this.open()
  }
  open(): void {
    this.outbox = emptyOutbox
    this.todo = []
    this.happen({ what: 'left behind', items: [...this.notes.values()].flat() })
    this.read()
    this.happen({ what: 'leads' })
  }
  happen(happened: Happened): void {
    const step = after(this.outbox, happened)
    this.outbox = step.outbox
    this.todo.push(...step.acts)
  }
  read(): void {
    this.happen(this.works ? { what: 'read', stored: [...this.store] } : { what: 'unread' })
  }
  enter(job: string, count: number): void {
    const items: Queued[] = []
    for (let i = 0; i < count; i++)
      items.push(item(this.entered.length + i, job, i ? { after: items.at(-1)!.id } : {}))
    this.entered.push(...items)
    this.notes.set(items[0]!.id, items)
    this.happen({ what: 'entered', items })
  }
  /** Does the oldest thing that is to be done; `luck` says what becomes of a request. */
  doOne(luck: 'good' | 'lost before' | 'lost after' | 'fails'): void {
    const act = this.todo.shift()
    switch (act?.do) {
      case 'keep': {
        const ids = act.items.map(({ id }) => id)
        if (!this.works) return this.happen({ what: 'not kept', ids })
        for (const one of act.items) if (!this.store.some(({ id }) => id === one.id)) this.store.push(one)
        for (const id of ids) this.notes.delete(id)
        return this.happen({ what: 'kept', ids })
      }
      case 'write':
        if (this.works) this.store = this.store.map((one) => (one.id === act.item.id ? act.item : one))
        return
      case 'forget':
        for (const id of act.ids) this.notes.delete(id)
        if (!this.works) return
        this.store = this.store.filter(({ id }) => !act.ids.includes(id))
        return this.happen({ what: 'forgotten', ids: act.ids })
      case 'pause':
        return this.happen({ what: 'pause over' })
      case 'send': {
        if (luck === 'lost before') return this.happen({ what: 'unreached' })
        if (luck === 'fails') return this.happen({ what: 'failed' })
        const log = this.server.get(act.job)!
        const answers = act.items.map(({ id }) => {
          if (this.refuses(id)) return { id, outcome: 'refused' as const, code: 'no', sentence: 'No.' }
          const known = log.includes(id)
          if (!known) log.push(id)
          return { id, outcome: known ? ('known' as const) : ('accepted' as const), seq: log.indexOf(id) }
        })
        if (luck === 'lost after') return this.happen({ what: 'unreached' })
        return this.happen({ what: 'answered', answers: answers as never })
      }
    }
  }
  /** All is well again, and everything is done that is to be done. */
  heal(): void {
    this.works = true
    this.read()
    for (let i = 0; i < 2000 && this.todo.length; i++) this.doOne('good')
    this.read()
    for (let i = 0; i < 2000 && this.todo.length; i++) this.doOne('good')
  }
}

const luck = fc.constantFrom('good', 'good', 'lost before', 'lost after', 'fails')
const happening = fc.oneof(
  fc.record({
    what: fc.constant('enter' as const),
    job: fc.constantFrom(...JOBS),
    count: fc.integer({ min: 1, max: 3 }),
  }),
  fc.record({ what: fc.constant('do' as const), luck }),
  fc.record({ what: fc.constant('do' as const), luck }),
  fc.record({ what: fc.constant('do' as const), luck }),
  fc.record({ what: fc.constantFrom('store', 'reload', 'read') }),
)

describe('what was entered', () => {
  it('is on the server once, or refused and kept, whatever order answers, losses, failing stores and reloads come in', () => {
    fc.assert(
      fc.property(fc.array(happening, { maxLength: 60 }), fc.integer({ min: 2, max: 9 }), (all, every) => {
        // An act goes as a whole: what is refused is refused from its first entry on.
        const world = new World((id) => Number(id.slice(1)) % every === 0)
        for (const one of all)
          if (one.what === 'enter') world.enter(one.job, one.count)
          else if (one.what === 'do') world.doOne(one.luck)
          else if (one.what === 'store') world.works = !world.works
          else if (one.what === 'read') world.read()
          // A window that is left takes with it what the store has not and its notes have.
          else world.open()
        world.heal()
        const there = [...world.server.values()].flat()
        expect(new Set(there).size, 'nothing twice').toBe(there.length)
        const waits = world.outbox.items.map(({ id }) => id)
        for (const { id } of world.entered)
          expect(there.includes(id) || waits.includes(id), `${id} is somewhere`).toBe(true)
        expect(world.outbox.sending, 'nothing hangs').toBeNull()
        // What still waits was refused, turned aside after failures, or hangs on one that was.
        const held = new Set<string>()
        for (const { id, refused, entry } of world.outbox.items)
          if (refused || (entry.after && held.has(entry.after))) held.add(id)
        expect(
          waits.filter((id) => !held.has(id)),
          'nothing waits without a reason',
        ).toEqual([])
      }),
      { numRuns: 600 },
    )
  })

  it('keeps its order within a job, while jobs do not hold each other up', () => {
    fc.assert(
      fc.property(fc.array(happening, { maxLength: 60 }), (all) => {
        const world = new World(() => false)
        for (const one of all)
          if (one.what === 'enter') world.enter(one.job, one.count)
          // No failure of the server's own: what it fails at steps aside, and that is told.
          else if (one.what === 'do') world.doOne(one.luck === 'fails' ? 'lost before' : one.luck)
          else if (one.what === 'store') world.works = !world.works
          else if (one.what === 'read') world.read()
          else {
            // A store that cannot be read when a page opens hides what came before: it goes when it can be.
            world.works = true
            world.open()
          }
        world.heal()
        for (const job of JOBS)
          expect(world.server.get(job)).toEqual(
            world.entered.filter((one) => one.job === job).map(({ id }) => id),
          )
        expect(world.outbox.items).toEqual([])
        expect(world.store).toEqual([])
        expect([...world.notes]).toEqual([])
      }),
      { numRuns: 600 },
    )
  })
})

describe('the outbox', () => {
  it('waits longer after each round of trouble, 400 ms to 4 s, and begins again after an answer', () => {
    const world = new World(() => false)
    world.enter('one', 1)
    world.doOne('good') // kept
    const waits: number[] = []
    for (let i = 0; i < 6; i++) {
      world.doOne('lost before')
      waits.push((world.todo[0] as { ms: number }).ms)
      world.doOne('good') // the pause
    }
    expect(waits).toEqual([400, 800, 1600, 3200, 4000, 4000])
    expect(world.outbox.away).toBe(true)
    world.doOne('good')
    expect(world.outbox).toMatchObject({ away: false, wait: 400, items: [] })
  })

  it('lets the act step aside at which the server fails a fourth time, and nothing behind it', () => {
    const world = new World(() => false)
    world.enter('one', 2)
    world.enter('one', 1)
    world.doOne('good')
    world.doOne('good')
    for (let i = 0; i < 4; i++) {
      while (world.todo[0]?.do !== 'send') world.doOne('good')
      world.doOne('fails')
    }
    expect(world.outbox.items.map(({ id, refused }) => [id, refused?.code])).toEqual([
      ['e0', 'poison'],
      ['e1', 'poison'],
      ['e2', undefined],
    ])
    world.heal()
    expect(world.server.get('one')).toEqual(['e2'])
  })

  it('says that it keeps nothing while the store is denied, and sends all the same', () => {
    const world = new World(() => false)
    world.works = false
    world.enter('one', 1)
    world.doOne('good')
    expect(keepsAll(world.outbox)).toBe(false)
    world.doOne('good')
    expect(world.server.get('one')).toEqual(['e0'])
  })

  it('a window that does not lead leaves to the one that does what the store has', () => {
    const step = (outbox: Outbox, ...all: Happened[]) =>
      all.reduce<{ outbox: Outbox; acts: Act[] }>(
        (so, one) => {
          const next = after(so.outbox, one)
          return { outbox: next.outbox, acts: [...so.acts, ...next.acts] }
        },
        { outbox, acts: [] },
      )
    const entered = { what: 'entered', items: [item(1, 'one')] } as const
    const follower = step(emptyOutbox, { what: 'read', stored: [] }, entered, { what: 'kept', ids: ['e1'] })
    expect(follower.acts.map((act) => act.do)).toEqual(['keep'])
    // Sent by the other: the store has it no more.
    expect(step(follower.outbox, { what: 'read', stored: [] }).outbox.items).toEqual([])
    const denied = step(emptyOutbox, { what: 'unread' }, entered, { what: 'not kept', ids: ['e1'] })
    expect(denied.acts.map((act) => act.do)).toEqual(['keep', 'send'])
  })
})
