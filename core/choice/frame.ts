/** How far the frame of data goes beyond them, in widths of the data. */
export const BEYOND = 0.2;
