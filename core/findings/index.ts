export * from './conditions.ts'
export * from './measured.ts'
