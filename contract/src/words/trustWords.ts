/** How a phone comes to trust the certificate that the program made for the bay's own network. */
export const TRUST_WORDS = {
  title: 'Let this phone film by itself',
  why: 'A page may use a phone’s camera only over a connection that the phone trusts. This bay’s program has made a certificate of its own for that. It is good for this program alone, and for nothing on the internet.',
  get: 'Fetch the certificate',
  steps: [
    'Press the button. The phone says that a certificate, or a profile, was loaded.',
    'Open the phone’s settings and look for “profile”, or, under security, for “install a certificate”; choose the one named “Inch Step, this bay”.',
    'Some phones ask once more: in the settings, under “about” and “certificate trust”, switch it on.',
    'Read the code on the coach’s screen again.',
  ],
  compare:
    'Its fingerprint. It must be the one that the coach’s screen shows; if it isn’t, don’t install it.',
  after:
    'A phone that isn’t yours need not do this: without it the phone’s own camera is opened for each take, and the clip arrives all the same.',
} as const;
