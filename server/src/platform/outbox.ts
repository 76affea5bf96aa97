import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { createTransport } from 'nodemailer';

export interface Message {
  readonly id: string;
  readonly toName: string;
  readonly subject: string;
  readonly text: string;
  readonly at: Date;
}

/** A folder of .eml files that stands in for a mail server. */
export class Outbox {
  private readonly folder: string;
  private readonly transport = createTransport({ streamTransport: true, buffer: true });

  constructor(dataDir: string) {
    this.folder = join(dataDir, 'outbox');
  }

  async put(message: Message): Promise<string> {
    const built = await this.transport.sendMail({
      from: { name: 'Inch Step', address: 'coach@inchstep.invalid' },
      to: { name: message.toName, address: 'student@inchstep.invalid' },
      subject: message.subject,
      text: message.text,
      date: message.at,
      messageId: `<${message.id}@inchstep.invalid>`,
    });
    await mkdir(this.folder, { recursive: true });
    const path = join(this.folder, `${message.id}.eml`);
    await writeFile(path, built.message as Buffer);
    return path;
  }
}
