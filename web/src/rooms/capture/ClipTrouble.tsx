import { CLIP_TROUBLE_WORDS } from './words.ts';

const TROUBLE: Readonly<Record<string, string>> = {
  codec: CLIP_TROUBLE_WORDS.thisBrowserCantRead,
  not_video: CLIP_TROUBLE_WORDS.thisFileHolds,
  no_frames: CLIP_TROUBLE_WORDS.thereAreNoPictures,
  consent: CLIP_TROUBLE_WORDS.guardianHasNotAgreed,
  fetch: CLIP_TROUBLE_WORDS.clipCouldNotBe,
};

/** Why a clip can’t be stepped, and what to do about it. */
export function ClipTrouble({ trouble, codec }: { readonly trouble: string; readonly codec: string }) {
  return (
    <p role="alert" className="absolute inset-x-3 top-1/3 rounded bg-base-100 p-3 text-base-content">
      {TROUBLE[trouble] ?? trouble} {codec && `(${codec})`}
    </p>
  );
}
