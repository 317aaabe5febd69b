export function freePort(): Promise<number>
export function startPostgres(
  dataFolder: string,
  options?: { fast?: boolean; port?: number },
): Promise<{
  url: string
  port: number
  adopted: boolean
  stop: () => Promise<void>
  watch: (died: () => void) => void
}>

export function hasChecksums(dataFolder: string): Promise<boolean | undefined>
