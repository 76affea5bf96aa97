export function moveDate(byMs: number): (byMs: number) => void;
