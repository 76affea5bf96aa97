/** What stands on a set-up card besides the drill's own words: the same on the screen and on paper. */
export const CARD_WORDS = {
  title: (drill: string) => `${drill}: set-up card`,
  named: (drill: string) => `Set-up card: ${drill}`,
  for: (student: string) => `for ${student}`,
  front: 'From the front',
  above: 'From above',
  target: 'target',
  stances: (byClub: readonly string[]) => `Ankles apart by club: ${byClub.join(', ')}.`,
  layers: 'One thing at a time',
  layersHint: 'Start with the first. Add the next when it holds.',
  layerByFilm: 'a film tells',
  guard: (drill: string) => `Beside it, so that it is not overdone: ${drill}.`,
  counts: 'It counts when',
  fake: 'Faking it looks like',
  tooMuch: 'Too much looks like',
  care: 'Take care',
  print: 'Print this card (PDF)',
} as const;
