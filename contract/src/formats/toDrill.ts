import type { Drill } from '@inchstep/core/prescription';
import type { OwnDrillDocument } from './drillsFormat.ts';

/** Without the fields that were left out, which the core takes as truly absent. */
const given = <T extends object>(fields: T) =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as {
    [K in keyof T]: Exclude<T[K], undefined>;
  };

/** As the core knows it: written by the coach, so neither ours nor part of the cycle of three. */
export const toDrill = (document: OwnDrillDocument['drill']): Drill => ({
  ...document,
  loads: given(document.loads),
  setup: document.setup.map((distance) => given(distance)),
  cyclePart: null,
  ours: false,
});
