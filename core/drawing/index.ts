export * from './shapes.ts'
export * from './unit.ts'
export * from './labels.ts'
export * from './lay.ts'
