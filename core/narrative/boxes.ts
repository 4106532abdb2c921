// How full a box is; ours.

/** How full it should be for its text to look right. */
export const wellFilled = 0.8

/** A comment that fills less of its box than this looks forgotten. */
export const farUnder = 0.2
