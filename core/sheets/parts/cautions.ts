/** Said where a bowl is opened and wherever parts are washed. Defers to local rules. */
export const SOAKED_CLOTHS = 'Cloths soaked with fuel go into a lidded metal bin, and out as local rules say.'
