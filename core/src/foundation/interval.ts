/** Half the width of a 95 % interval, in sds of a normal distribution. */
export const Z95 = 1.959964;
