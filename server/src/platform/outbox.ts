import { existsSync, mkdirSync, readdirSync, rmSync } from 'node:fs';
import { rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { createTransport } from 'nodemailer';
import { type Message, mailOf } from './letterMail.ts';

/** Nobody's address: letters in the folder go nowhere. */
export const NO_ADDRESS = 'student@inchstep.invalid';
const FOLDER_FROM = 'Inch Step <coach@inchstep.invalid>';

/** A folder of .eml files that stands in for a mail server. Files are made from rows and can be made again. */
export class Outbox {
  private readonly folder: string;
  private readonly transport = createTransport({ streamTransport: true, buffer: true });

  constructor(dataDir: string) {
    this.folder = join(dataDir, 'outbox');
  }

  has(id: string): boolean {
    return existsSync(this.pathOf(id));
  }

  remove(id: string): void {
    rmSync(this.pathOf(id), { force: true });
  }

  /** Clears letters that no row knows, and half ones. */
  sweep(known: ReadonlySet<string>): void {
    if (!existsSync(this.folder)) return;
    for (const name of readdirSync(this.folder))
      if (!known.has(name.replace(/\.eml$/, ''))) rmSync(join(this.folder, name), { force: true });
  }

  pathOf(id: string): string {
    return join(this.folder, `${id}.eml`);
  }

  /** The letter as a mail program reads it; the same row gives the same bytes. */
  async letter(message: Message): Promise<Buffer> {
    const built = await this.transport.sendMail(mailOf(message, FOLDER_FROM));
    return built.message as Buffer;
  }

  /** Writes the letter whole or not at all. */
  async put(message: Message): Promise<string> {
    mkdirSync(this.folder, { recursive: true, mode: 0o700 });
    const path = this.pathOf(message.id);
    const draft = `${path}.making`;
    await writeFile(draft, await this.letter(message), { mode: 0o600 });
    await rename(draft, path);
    return path;
  }
}
