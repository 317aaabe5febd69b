export * from './differences.ts'
export * from './history.ts'
export * from './checks.ts'
