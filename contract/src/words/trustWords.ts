/** How a phone comes to trust the certificate that the program made for the bay's own network. */
export const TRUST_WORDS = {
  title: 'Let this phone film by itself',
  why: 'A page may use a phone’s camera only over a connection that the phone trusts. This bay’s program has made a certificate of its own for that. It can stand for this machine and for addresses inside a private network, and for no site on the internet.',
  get: 'Fetch the certificate',
  steps: [
    'Press the button. The phone says that a certificate, or a profile, was loaded.',
    'Open the phone’s settings and look for “profile”, or, under security, for “install a certificate”; choose the one named “Inch Step, this bay”.',
    'Some phones ask once more: in the settings, under “about” and “certificate trust”, switch it on.',
    'Read the code on the coach’s screen again.',
  ],
  compare:
    'Its fingerprint. It must be the one that the coach’s screen shows; if it isn’t, don’t install it.',
  remove:
    'To remove it later, open the same place in the phone’s settings, choose “Inch Step, this bay”, and delete it. It expires after a year. The bay then makes a new one.',
  after:
    'You can skip this on a phone that isn’t yours. The phone’s own camera then opens for each take, and the clip still arrives.',
} as const;
