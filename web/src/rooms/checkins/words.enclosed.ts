/** What is put with an answer, on the coach's side. */
export const ALONG_STAGE_WORDS = {
  title: 'Put with the reply',
  draw: 'Draw (D)',
  wipe: 'Wipe (W)',
  picture: 'Picture (P)',
  clip: 'Clip (C)',
  talk: 'Talk over it (T)',
  stop: (time: string) => `Stop (T) ${time}`,
  talking: 'Talking. Step, lay over and draw; it is all kept.',
  asking: 'Asking for the microphone …',
  refused: 'The browser was told not to give the microphone. Allow it in the address bar and press again.',
  none: 'No microphone was found on this device. A picture with words under it goes as well.',
  noRecorder: 'This browser can’t record a voice. A picture with words under it goes as well.',
  making: (percent: number) => `Making the clip: ${percent} %`,
  makingClip: 'Making the clip',
  stopMaking: 'Stop',
  sending: (what: string, percent: number) => `${what}: ${percent} %`,
  again: 'Send it again',
  letGo: 'Let it go',
  at: (station: string) => `At ${station.toLowerCase()}`,
  pictureTitle: 'The picture as it stands',
  clipTitle: 'The swing',
  both: 'Then and now',
  talkTitle: 'Spoken',
} as const;

/** What the list of things put with an answer says. */
export const ENCLOSED_WORDS = {
  kinds: { picture: 'Picture', clip: 'Clip', talk: 'Spoken' },
  look: 'Look at it',
  leaveOut: 'Leave it out',
  left: 'Left out.',
  putBack: 'Put it back',
  goes: (what: string) => `Goes along: ${what}.`,
  size: (kilobytes: number) => (kilobytes < 1000 ? `${kilobytes} kB` : `${(kilobytes / 1000).toFixed(1)} MB`),
  failed: 'It can’t be shown now. It needs a signal.',
  loading: 'what goes along',
} as const;

/** What a spoken review says while it plays. */
export const TALK_WORDS = {
  play: 'Play',
  pause: 'Pause',
  strip: 'Where in the talk',
  earlier: 'Back to the last step',
  later: 'On to the next step',
  of: (at: string, all: string) => `${at} of ${all}`,
  noClips: 'The pictures need a signal; the voice plays without them.',
  captions: 'Captions',
  captionNow: (at: string) => `Caption at ${at}`,
  captionAt: (at: string) => `Caption from ${at}`,
  captionHint: 'For who can’t hear it. Stop where it begins, then type.',
  keep: 'Keep the captions',
  kept: 'Captions kept.',
  none: 'No captions yet.',
  remove: 'Remove',
} as const;
