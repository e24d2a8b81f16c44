/** Whatever else is asked below /api: an answer in words, not the page's shell. */
export default defineEventHandler(() => refuse(404, "There is nothing at this address."));
