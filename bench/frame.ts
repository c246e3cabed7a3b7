/** One frame at 60 Hz, ms. */
export const FRAME_MS = 1000 / 60;
