/** The demo shop works Monday to Friday, 1 Monday to 7 Sunday. */
export const WORKING_DAYS = [1, 2, 3, 4, 5]
