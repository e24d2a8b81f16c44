/** How a story says that there may be so many and no more, as alternatives of a pattern. */
export const AT_MOST = "at most|no more than|not more than|up to|a maximum of";
