import type { AddressInfo } from 'node:net';
import { simpleParser } from 'mailparser';
import { SMTPServer } from 'smtp-server';

import { Shelf } from './Shelf';

/** A mail that came in, as Outside shows it. */
export interface ReceivedMail {
  at: number;
  to: string;
  subject: string;
  text: string;
  files: { name: string; contentType: string; base64: string }[];
}

const mostKept = 50;
const mostCharacters = 50_000_000;
/** A mail with a voicemail of the longest kind, in bytes. */
const largest = 20_000_000;

/** A mail server of nobody: takes mail for any address, on this machine only, and shows it. */
export class MailIn {
  private readonly received = new Shelf<ReceivedMail>(mostKept, mostCharacters);
  private readonly server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    logger: false,
    size: largest,
    onData: (stream, session, done) => {
      simpleParser(stream).then(
        ({ subject = '', text = '', attachments }) => {
          const files = attachments.map(({ filename, contentType, content }) => ({
            name: filename ?? 'file',
            contentType,
            base64: content.toString('base64'),
          }));
          for (const { address } of session.envelope.rcptTo)
            this.received.add({ at: Date.now(), to: address, subject, text, files }, sizeOf(text, files));
          done();
        },
        (error: Error) => done(error),
      );
    },
  });

  /** The address to send to, as `smtp://…`. */
  async open(): Promise<string> {
    await new Promise<void>((resolve) => this.server.listen(0, '127.0.0.1', resolve));
    const { port } = this.server.server.address() as AddressInfo;
    return `smtp://127.0.0.1:${port}`;
  }

  /** Newest first. */
  of(addresses: readonly string[]): ReceivedMail[] {
    return this.received.all().filter(({ to }) => addresses.includes(to));
  }

  close(): Promise<void> {
    return new Promise((resolve) => this.server.close(resolve));
  }
}

const sizeOf = (text: string, files: ReceivedMail['files']) =>
  files.reduce((sum, { base64 }) => sum + base64.length, text.length);
