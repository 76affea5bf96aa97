import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { type RunningServer, startServer } from './program.ts';
import { endure } from './siege/durability.ts';
import { besiege } from './siege/hostile.ts';
import { CONTAINERS } from './siege/spoiltClips.ts';

// The volume is in the study (`bench hostile`, `bench durability`); here is a fixed sample of it.
const CLIPS_EACH = 16;
const KILLS = 8;

/** The running program under files that lie about themselves, and under kills. */
describe('a siege', () => {
  const folder = mkdtempSync(join(tmpdir(), 'inchstep-siege-'));
  let server: RunningServer;
  beforeAll(async () => {
    server = await startServer(join(folder, 'hostile'));
  });
  afterAll(async () => {
    await server.end();
    rmSync(folder, { recursive: true, force: true });
  });

  it.each(CONTAINERS)(
    'of spoilt %s files stops nothing: each is taken or refused in words',
    async (container) => {
      const siege = await besiege(server, container, CLIPS_EACH, 27_031);
      const answered = siege.taken + Object.values(siege.refused).reduce((a, b) => a + b, 0);
      expect([answered, siege.broken, siege.unshown]).toEqual([CLIPS_EACH, 0, 0]);
      expect(Object.keys(siege.refused).length).toBeGreaterThan(0);
    },
  );

  it('of eight kills loses, doubles and halves nothing', async () => {
    const half = (name: string, seed: number) => endure(join(folder, name), KILLS / 2, seed, () => undefined);
    for (const endured of await Promise.all([half('one', 27_032), half('two', 27_033)])) {
      expect(endured).toMatchObject({ kills: KILLS / 2, lost: 0, doubled: 0, half: 0 });
      expect(endured.acknowledged).toBeGreaterThan(KILLS);
      expect(endured.unanswered).toBeGreaterThan(0);
    }
  });
});
