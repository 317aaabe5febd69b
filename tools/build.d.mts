/** Builds server and pages where their sources changed. */
export function ensureBuild(): Promise<void>
