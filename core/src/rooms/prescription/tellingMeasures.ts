import { faultById } from '../diagnosis/index.ts';
import { HOUSE_LIBRARY, type Library } from './library.ts';

const isMeasure = (finding: string): boolean => finding.endsWith('.low') || finding.endsWith('.high');

/**
 * Measures that tell whether the work helps, most telling first: what both the fault shows and
 * the drills move, then the fault's other strong findings, then whatever else the drills move.
 */
export function tellingMeasures(
  drills: readonly string[],
  fault: string,
  library: Library = HOUSE_LIBRARY,
): string[] {
  const moved = drills.flatMap((id) => library.byId(id)?.moves ?? []).filter((id) => !id.startsWith('ball.'));
  const shown = (faultById(fault)?.evidence ?? [])
    .filter(({ finding, strength }) => isMeasure(finding) && strength >= 2)
    .sort((a, b) => b.strength - a.strength)
    .map(({ finding, strength }) => ({ id: finding.replace(/\.(low|high)$/, ''), strength }));
  const both = shown.filter(({ id }) => moved.includes(id)).map(({ id }) => id);
  const strong = shown.filter(({ strength }) => strength === 3).map(({ id }) => id);
  return [...new Set([...both, ...strong, ...moved])];
}
