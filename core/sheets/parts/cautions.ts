/** Said where a bowl is opened and wherever parts are washed. Defers to local rules. */
export const SOAKED_CLOTHS = 'Put fuel-soaked rags in a lidded metal bin. Dispose of them by local rules.'
