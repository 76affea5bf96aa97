import { plain } from '@inchstep/contract/formats';
import type { Profile, SchoolBand, SchoolPage } from '@inchstep/contract/intake';
import {
  BAND_ROWS,
  type BandEdit,
  bandFor,
  DEFAULT_PRESET,
  REFERENCE_HEIGHT_IN,
  resolveSchool,
  SCHOOL_PRESETS,
  type School,
  type SchoolPreset,
} from '@inchstep/core/intake';
import { type Context, stamp } from '../../platform/context.ts';
import type { Db } from '../../platform/db.ts';
import { Refusal } from '../../platform/errors.ts';
import { bandEditsOf, dropBandEdit, putBandEdit } from './repo.ts';

const editsFor = (db: Db, preset: SchoolPreset): Record<string, BandEdit> =>
  Object.fromEntries(bandEditsOf(db, preset).map(({ measure, lo, hi }) => [measure, { lo, hi }]));

/** A student's school: the preset, the student's own answers, and the coach's bands for both. */
export function resolvedSchool(db: Db, profile: Profile): School {
  const chosen = plain(profile.school);
  const bands = { ...editsFor(db, chosen.preset ?? DEFAULT_PRESET), ...chosen.bands };
  return resolveSchool(Object.keys(bands).length > 0 ? { ...chosen, bands } : chosen);
}

/** Every school with its answers and bands, as the coach has made them. */
export const listSchools = (ctx: Context): SchoolPage[] =>
  (Object.keys(SCHOOL_PRESETS) as SchoolPreset[]).map((preset) => schoolPage(ctx, preset));

function schoolPage(ctx: Context, preset: SchoolPreset): SchoolPage {
  const edits = new Map(bandEditsOf(ctx.db, preset).map((row) => [row.measure, row]));
  const usual = {
    heightIn: REFERENCE_HEIGHT_IN,
    flexibility: 'usual',
    armSwing: 'usual',
    club: 'mid_iron',
  } as const;
  const house = { ...usual, school: resolveSchool({ preset }) };
  const own = { ...usual, school: resolveSchool({ preset, bands: editsFor(ctx.db, preset) }) };
  const bands = BAND_ROWS.map(({ id }): SchoolBand => {
    const [before, now] = [bandFor(id, house), bandFor(id, own)];
    const edit = edits.get(id);
    return {
      measure: id,
      unit: now.unit,
      step: now.step,
      house: { lo: before.lo, hi: before.hi },
      now: { lo: now.lo, hi: now.hi },
      origin: [...now.origin],
      edit: edit ? { reason: edit.reason, at: edit.at } : null,
    };
  });
  return { preset, answers: { ...SCHOOL_PRESETS[preset] }, bands };
}

export function editBand(
  ctx: Context,
  preset: SchoolPreset,
  measure: string,
  edit: BandEdit & { readonly reason: string },
): SchoolPage {
  if (!BAND_ROWS.some((row) => row.id === measure)) throw new Refusal('unknown_measure', { id: measure });
  putBandEdit(ctx.db, { preset, measure, lo: edit.lo, hi: edit.hi, reason: edit.reason, at: stamp(ctx) });
  ctx.records.everybodyChanged();
  return schoolPage(ctx, preset);
}

/** Back to the house's band. */
export function resetBand(ctx: Context, preset: SchoolPreset, measure: string): SchoolPage {
  dropBandEdit(ctx.db, preset, measure);
  ctx.records.everybodyChanged();
  return schoolPage(ctx, preset);
}
