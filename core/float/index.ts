export * from './bend.ts'
export * from './level.ts'
export * from './inflow.ts'
export * from './geometry.ts'
