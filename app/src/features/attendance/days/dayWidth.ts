/** Width of a lesson among several side by side, in pixels. */
export const dayWidth = 148;
