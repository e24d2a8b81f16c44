/** How a story says that there may be so many and no more, as alternatives of a pattern. */
export const AT_MOST = "at most|no more than|not more than|up to|a maximum of";
/** How it says that there must be so many or more. */
export const AT_LEAST = "at least|no fewer than|not fewer than|no less than|not less than|a minimum of|minimum";
