/**
 * Replaces the clock that this realm reads by one that runs as fast and stands elsewhere; answers the move
 * from here on. Runs in a page, too, so it stands on nothing outside itself.
 * @param {number} byMs
 * @returns {(byMs: number) => void}
 */
export function moveDate(byMs) {
  const Real = Date;
  let moved = byMs;
  class MovedDate extends Real {
    constructor(...parts) {
      if (parts.length === 0) super(Real.now() + moved);
      else super(...parts);
    }
    static now() {
      return Real.now() + moved;
    }
  }
  globalThis.Date = MovedDate;
  return (ms) => {
    moved = ms;
  };
}
