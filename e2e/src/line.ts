import { connect, createServer, type Socket } from 'node:net';
import { freePort } from './program.ts';

/** A line to the program that can break, come back, and be slow. */
export interface Line {
  readonly url: string;
  /** Nothing goes through any more; what is on its way is lost. */
  cut(): void;
  mend(): void;
  /** Bytes a second upwards; null = as fast as it goes. */
  upward(bytes: number | null): void;
  /** What went up so far. */
  sentBytes(): number;
  close(): Promise<void>;
}

export async function lineTo(programUrl: string): Promise<Line> {
  const port = await freePort();
  const to = Number(new URL(programUrl).port);
  const open = new Set<Socket>();
  let isCut = false;
  let rate: number | null = null;
  let sent = 0;
  const server = createServer((phone) => {
    if (isCut) return void phone.destroy();
    const program = connect(to, '127.0.0.1');
    for (const socket of [phone, program]) {
      open.add(socket);
      socket.on('close', () => open.delete(socket));
      socket.on('error', () => undefined);
    }
    phone.on('close', () => program.destroy());
    program.on('close', () => phone.destroy());
    program.pipe(phone);
    phone.on('data', (chunk: Buffer) => {
      sent += chunk.length;
      program.write(chunk);
      if (rate === null || chunk.length < 2000) return;
      phone.pause();
      setTimeout(() => phone.resume(), (1000 * chunk.length) / rate);
    });
  });
  await new Promise<void>((done) => server.listen(port, '127.0.0.1', done));
  const cut = () => {
    isCut = true;
    for (const socket of open) socket.destroy();
  };
  return {
    url: `http://localhost:${port}`,
    cut,
    mend: () => {
      isCut = false;
    },
    upward: (bytes) => {
      rate = bytes;
    },
    sentBytes: () => sent,
    close: () => {
      cut();
      return new Promise((done) => server.close(() => done()));
    },
  };
}
