import { MANIFEST_WORDS } from '@inchstep/contract/words';
import type { Context } from '../../platform/context.ts';

/** What a phone puts on its screen for a student's page: it opens by the very link. */
export function appManifest(ctx: Context, studentId: string, token: string) {
  const { firstName } = ctx.records.of(studentId).intake;
  const icon = (sizes: string, purpose: 'any' | 'maskable') => ({
    src: `/page-icon-${sizes}.png`,
    sizes: `${sizes}x${sizes}`,
    type: 'image/png',
    purpose,
  });
  return {
    id: `/p/${studentId}`,
    name: MANIFEST_WORDS.name(firstName),
    short_name: MANIFEST_WORDS.short,
    start_url: `/p/${token}`,
    scope: '/p/',
    display: 'standalone',
    background_color: '#fdfcf8',
    theme_color: '#e9c863',
    icons: [icon('192', 'any'), icon('512', 'any'), icon('512', 'maskable')],
  };
}
