/** So long what was sent, or is to be erased, can be taken back. Until then nobody reads it and nothing is gone. */
export const UNDO_MINUTES = 10;
