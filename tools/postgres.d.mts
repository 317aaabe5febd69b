export function defaultDataFolder(): string
export function freePort(): Promise<number>
export function startPostgres(
  dataFolder: string,
  options?: { fast?: boolean },
): Promise<{ url: string; adopted?: boolean; stop: () => Promise<void> }>
