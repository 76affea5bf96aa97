/** Half the width of a 95 % interval, in sds of a normal distribution. */
export const Z95 = 1.959964;
/** Half the width of an 80 % interval; 90 % lie below it. */
export const Z80 = 1.281552;
