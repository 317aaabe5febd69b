export * from './history.ts'
export * from './checks.ts'
