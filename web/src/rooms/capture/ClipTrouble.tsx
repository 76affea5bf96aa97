const TROUBLE: Readonly<Record<string, string>> = {
  codec:
    'This browser can’t read the clip’s coding frame by frame. Set the phone’s camera to “most compatible”, or convert the clip to H.264 MP4.',
  not_video: 'This file holds no video that can be read.',
  no_frames: 'There are no pictures in this clip.',
  consent:
    'A guardian has not agreed to this child’s films, or no longer does. Record the consent in the intake first.',
  fetch: 'The clip could not be fetched. Load the page again.',
};

/** Why a clip can’t be stepped, and what to do about it. */
export function ClipTrouble({ trouble, codec }: { readonly trouble: string; readonly codec: string }) {
  return (
    <p role="alert" className="absolute inset-x-3 top-1/3 rounded bg-base-100 p-3 text-base-content">
      {TROUBLE[trouble] ?? trouble} {codec && `(${codec})`}
    </p>
  );
}
