import { bad, problem, type Result, type Vec3 } from '../../foundation/index.ts';
import { LOST, MOTION_UNITS, type MotionUnit, type RawMotion } from './motion.ts';
import { checkRaw, type MotionFileProblem } from './motionText.ts';

const BLOCK = 512;
/** Second byte of every C3D file, and the kinds of number it may be written in. */
const MAGIC = 0x50;
const PROCESSOR = { intel: 84, dec: 85, mips: 86 } as const;

interface Parameter {
  readonly type: number;
  readonly dims: readonly number[];
  readonly at: number;
}

/** 3D points of a C3D file, integers or floats, little or big endian; analog channels are passed over. */
export function readC3d(bytes: Uint8Array): Result<RawMotion, MotionFileProblem> {
  const unreadable = (expected: string) =>
    bad([problem('motion_unreadable', 'header', { part: 'header', expected })]);
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.byteLength < 2 * BLOCK || view.getUint8(1) !== MAGIC) return unreadable('a C3D file');
  const start = (view.getUint8(0) - 1) * BLOCK;
  if (start < BLOCK || start + 4 > bytes.byteLength) return unreadable('a C3D file with its parameters');
  const processor = view.getUint8(start + 3);
  if (processor === PROCESSOR.dec) return unreadable('numbers in Intel or big-endian order, not DEC');
  const little = processor !== PROCESSOR.mips;
  try {
    return checkRaw(readPoints(view, little, readParameters(view, start, little)));
  } catch (error) {
    // Reading past the end means that the file was cut off.
    if (error instanceof RangeError) return unreadable('a whole C3D file; this one breaks off');
    throw error;
  }
}

/** "POINT:LABELS" and so on to where their values lie. */
function readParameters(view: DataView, start: number, little: boolean): Map<string, Parameter> {
  const groups = new Map<number, string>();
  const found: [group: number, name: string, parameter: Parameter][] = [];
  let at = start + 4;
  for (;;) {
    const length = Math.abs(view.getInt8(at));
    const group = view.getInt8(at + 1);
    if (length === 0 || group === 0) break;
    const name = textAt(view, at + 2, length).toUpperCase();
    const next = at + 2 + length;
    const offset = view.getInt16(next, little);
    if (group < 0) groups.set(-group, name);
    else {
      const count = view.getUint8(next + 3);
      const dims = Array.from({ length: count }, (_, i) => view.getUint8(next + 4 + i));
      found.push([group, name, { type: view.getInt8(next + 2), dims, at: next + 4 + count }]);
    }
    // Zero ends the list; a broken file may point backward, and would be read for ever.
    if (offset <= 0) break;
    at = next + offset;
  }
  return new Map(found.map(([group, name, p]) => [`${groups.get(group) ?? group}:${name}`, p]));
}

function readPoints(view: DataView, little: boolean, parameters: Map<string, Parameter>): RawMotion {
  const points = view.getUint16(2, little);
  const analog = view.getUint16(4, little);
  const frames = view.getUint16(8, little) - view.getUint16(6, little) + 1;
  const scale = view.getFloat32(12, little);
  const rate = view.getFloat32(20, little);
  const dataAt = (view.getUint16(16, little) - 1) * BLOCK;
  const floats = scale < 0;
  const size = floats ? 4 : 2;
  const stride = size * (4 * points + analog);
  const labels = labelsOf(view, parameters.get('POINT:LABELS'), points);
  const read = (at: number) => (floats ? view.getFloat32(at, little) : view.getInt16(at, little) * scale);
  const tracks: Vec3[][] = labels.map(() => []);
  for (let frame = 0; frame < frames; frame++) {
    for (let i = 0; i < points; i++) {
      const at = dataAt + frame * stride + i * 4 * size;
      const seen = floats
        ? view.getFloat32(at + 3 * size, little) >= 0
        : view.getInt16(at + 3 * size, little) >= 0;
      tracks[i]?.push(seen ? [read(at), read(at + size), read(at + 2 * size)] : LOST);
    }
  }
  const unit = parameters.get('POINT:UNITS');
  const told = unit
    ? textAt(view, unit.at, unit.dims[0] ?? 0)
        .trim()
        .toLowerCase()
    : '';
  return {
    times: Array.from({ length: frames }, (_, frame) => frame / rate),
    markers: new Map(labels.map((label, i) => [label, tracks[i] as Vec3[]])),
    unit: MOTION_UNITS.includes(told as MotionUnit) ? (told as MotionUnit) : null,
  };
}

function labelsOf(view: DataView, parameter: Parameter | undefined, points: number): string[] {
  const [wide = 0, count = 0] = parameter?.dims ?? [];
  return Array.from({ length: points }, (_, i) =>
    parameter && i < count ? textAt(view, parameter.at + i * wide, wide).trim() : `point_${i + 1}`,
  );
}

const textAt = (view: DataView, at: number, length: number): string =>
  Array.from({ length }, (_, i) => String.fromCharCode(view.getUint8(at + i))).join('');
