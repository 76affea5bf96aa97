import { createTransport } from 'nodemailer';
import { isLoopback } from './address.ts';
import { type Message, mailOf } from './letterMail.ts';
import { StartRefusal } from './startRefusal.ts';

/** A mail server that takes letters, by setting. */
export interface MailSettings {
  /** smtp:// or smtps://, with name and word where the server asks for them. */
  readonly url: string;
  readonly from: string;
}

/** Why a letter was not taken; `code` is the server's number, null where none answered. */
export class MailTrouble extends Error {
  readonly code: number | null;

  constructor(code: number | null, message: string) {
    super(message);
    this.code = code;
  }
}

interface SmtpError {
  readonly responseCode?: number;
  readonly response?: string;
  readonly message: string;
  readonly command?: string;
}

function troubleOf({ responseCode, response, message, command }: SmtpError): MailTrouble {
  // Somebody on the way may have taken the offer: it is tried again, not given up.
  if (command === 'STARTTLS')
    return new MailTrouble(null, 'the mail server offers no locked line (TLS), so nothing was sent');
  return new MailTrouble(responseCode ?? null, String(response ?? message).slice(0, 300));
}

const PATIENCE_MS = 15_000;

/** Hands letters to a mail server over SMTP. */
export class MailDoor {
  readonly from: string;
  private readonly transport;

  constructor({ url, from }: MailSettings) {
    this.from = from;
    const at = new URL(url);
    this.transport = createTransport({
      host: at.hostname.replace(/^\[|\]$/g, ''),
      port: Number(at.port) || (at.protocol === 'smtps:' ? 465 : 587),
      secure: at.protocol === 'smtps:',
      // What the other side offers is taken: a letter about a body is nobody else's to read. A name and a word go over a
      // locked line alone: who takes the offer of one away gets neither.
      opportunisticTLS: true,
      requireTLS: at.username !== '' && !isLoopback(at.hostname),
      ...(at.username && {
        auth: { user: decodeURIComponent(at.username), pass: decodeURIComponent(at.password) },
      }),
      connectionTimeout: PATIENCE_MS,
      greetingTimeout: PATIENCE_MS,
      socketTimeout: PATIENCE_MS,
    });
  }

  async deliver(letter: Message): Promise<void> {
    try {
      await this.transport.sendMail(mailOf(letter, this.from));
    } catch (reason) {
      throw troubleOf(reason as SmtpError);
    }
  }

  close(): void {
    this.transport.close();
  }
}

/** SMTP_URL and MAIL_FROM as given from outside, or one plain sentence. */
export function mailSettings(env: Readonly<Record<string, string | undefined>>): MailSettings | null {
  const { SMTP_URL: url, MAIL_FROM: from } = env;
  if (!url && !from) return null;
  const at = url && URL.canParse(url) ? new URL(url) : null;
  if (!url || !at || !['smtp:', 'smtps:'].includes(at.protocol) || at.hostname === '')
    throw new StartRefusal(
      'SMTP_URL does not say where mail goes: give smtp://host:port or smtps://host, with name:word@ before the host where it asks for them.',
    );
  if (!from || !/^[^<>\r\n]*<?[^\s<>@]+@[^\s<>@]+>?$/.test(from))
    throw new StartRefusal(
      'MAIL_FROM does not say whom mail is from: give an address, such as Ilse Varga <ilse@golf.example>.',
    );
  return { url, from };
}
