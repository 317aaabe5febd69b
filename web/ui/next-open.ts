/** The next of a row that is still open, after the one that is shown and then from the start; null where none is: the way leads on. */
export function nextOpen(at: number, open: readonly boolean[]): number | null {
  for (let by = 1; by < open.length; by++) {
    const one = (at + by) % open.length
    if (open[one]) return one
  }
  return null
}
