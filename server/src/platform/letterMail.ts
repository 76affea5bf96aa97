/** A letter on its way by mail. */
export interface Message {
  readonly id: string;
  readonly toName: string;
  readonly toAddress: string;
  readonly subject: string;
  readonly text: string;
  readonly at: Date;
  /** The reader's own page, with what is said of it; null where nobody could open it from outside. */
  readonly page?: { readonly words: string; readonly url: string } | null;
  /** The way to get no more; null where nobody could open it from outside. */
  readonly stop: { readonly origin: string; readonly token: string } | null;
  /** What stands beside that way. */
  readonly stopText?: string;
  /** A date that goes along, as iCalendar. */
  readonly event: string | null;
}

/** A letter as nodemailer takes it: plain and as simple HTML, with its date and the way to get no more. */
export function mailOf(letter: Message, from: string) {
  const { id, toName, toAddress, subject, at, stop, event } = letter;
  const text = letter.page ? `${letter.text}\n\n${letter.page.words} ${letter.page.url}` : letter.text;
  const page = stop === null ? null : `${stop.origin}/stop/${stop.token}`;
  const footer = page === null ? '' : `\n\n--\n${letter.stopText ?? ''}\n${page}`;
  return {
    from,
    to: { name: toName, address: toAddress },
    subject,
    text: `${text}${footer}`,
    html: `${text
      .split(/\n{2,}/)
      .map(asParagraph)
      .join(
        '\n',
      )}${page === null ? '' : `\n<hr>\n<p><a href="${page}">${escaped(letter.stopText ?? '')}</a></p>`}`,
    date: at,
    messageId: `<${id}@inchstep.invalid>`,
    // The same row gives the same bytes.
    baseBoundary: id.replaceAll('-', ''),
    headers: {
      'X-Auto-Response-Suppress': 'All',
      // Where nobody could open an address of ours, a word to the coach stops it.
      ...(stop === null
        ? { 'List-Unsubscribe': `<mailto:${addressIn(from)}?subject=No%20more%20letters>` }
        : {
            'List-Unsubscribe': `<${stop.origin}/api/stop-mail/${stop.token}>`,
            'List-Unsubscribe-Post': 'List-Unsubscribe=One-Click',
          }),
    },
    ...(event && { icalEvent: { method: 'PUBLISH', filename: 'date.ics', content: event } }),
  };
}

const addressIn = (from: string): string => /<([^>]+)>/.exec(from)?.[1] ?? from;
const LINK = /https?:\/\/[^\s<]+/g;
const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');
const asParagraph = (text: string): string =>
  `<p>${escaped(text)
    .replaceAll('\n', '<br>')
    .replaceAll(LINK, (url) => `<a href="${url}">${url}</a>`)}</p>`;
