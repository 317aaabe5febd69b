export * from './schemas.ts'
export * from './model.ts'
export * from './cautions.ts'
