/** How many moves that a school took out are kept for it; the oldest go. */
export const MOST_DELETED = 50;
