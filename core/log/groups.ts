/** Entries of one act: each names the one before it. */
interface Chained {
  id: string
  after?: string | undefined
}

/** Splits entries, in their order, into the acts that they were made in. */
export function actsOf<E extends Chained>(entries: readonly E[]): E[][] {
  const acts: E[][] = []
  for (const entry of entries) {
    const act = acts.at(-1)
    if (act && entry.after !== undefined && entry.after === act.at(-1)!.id) act.push(entry)
    else acts.push([entry])
  }
  return acts
}
