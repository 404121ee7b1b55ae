import type { AddressInfo } from 'node:net';
import { simpleParser } from 'mailparser';
import { SMTPServer } from 'smtp-server';

/** A mail that came in, as Outside shows it. */
export interface ReceivedMail {
  at: number;
  to: string;
  subject: string;
  text: string;
  files: { name: string; contentType: string; base64: string }[];
}

const mostKept = 50;

/** A mail server of nobody: takes mail for any address, on this machine only, and shows it. */
export class MailIn {
  private readonly received: ReceivedMail[] = [];
  private readonly server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    logger: false,
    onData: (stream, session, done) => {
      simpleParser(stream).then(
        ({ subject = '', text = '', attachments }) => {
          const files = attachments.map(({ filename, contentType, content }) => ({
            name: filename ?? 'file',
            contentType,
            base64: content.toString('base64'),
          }));
          for (const { address } of session.envelope.rcptTo)
            this.received.unshift({ at: Date.now(), to: address, subject, text, files });
          this.received.length = Math.min(this.received.length, mostKept);
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
    return this.received.filter(({ to }) => addresses.includes(to));
  }

  close(): Promise<void> {
    return new Promise((resolve) => this.server.close(resolve));
  }
}
