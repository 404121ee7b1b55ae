import { generateKeyPairSync, sign } from 'node:crypto';

import { io, type Socket } from 'socket.io-client';

import { ChannelLink, unbatched, type Port } from '@/office/channel';
import {
  linkPath,
  signedByDevice,
  type AnswerOfFiles,
  type AnswerOfVoices,
  type DeviceProof,
} from '@/office/socket';
import { channelOf, hallOf, type ToTabs, type Who } from '@/state/tabs/messages';

/** A key of a device, as a browser has one. */
export class DeviceOfTest {
  private readonly pair = generateKeyPairSync('ec', { namedCurve: 'P-256' });

  prove(challenge: string, app: string, token: string): DeviceProof {
    const key = this.pair.publicKey.export({ format: 'der', type: 'spki' }).toString('base64url');
    const options = { key: this.pair.privateKey, dsaEncoding: 'ieee-p1363' } as const;
    const signature = sign('sha256', signedByDevice(challenge, app, token), options);
    return { key, signature: signature.toString('base64url') };
  }
}

/** A client of nobody's making: it says whatever it is told to. */
export class Client {
  readonly socket: Socket;
  readonly heard: [string, unknown][] = [];
  private readonly ports = new Map<string, (message: unknown) => void>();
  /** What this connection is to sign. */
  challenge = '';
  /** The address it is seen under; heard from the first moment on, for it comes in the same breath as the connection. */
  readonly seenFrom: Promise<string>;

  constructor(
    address: string,
    private readonly storage: string,
    options: Parameters<typeof io>[1] = {},
  ) {
    this.socket = io(address, { path: linkPath, transports: ['websocket'], reconnection: false, ...options });
    this.socket.on('challenge', (challenge: string) => (this.challenge = challenge));
    this.seenFrom = new Promise((resolve) => this.socket.once('seenFrom', resolve));
    this.socket.on('said', (port: string, message: unknown) => {
      this.heard.push([port, message]);
      this.ports.get(port)?.(message);
    });
  }

  say(port: string, message: unknown): void {
    this.socket.emit('said', port, message);
  }

  async connected(): Promise<this> {
    if (!this.socket.connected)
      await new Promise<void>((resolve, reject) => {
        this.socket.once('connect', resolve);
        this.socket.once('connect_error', reject);
      });
    return this;
  }

  /** What it is told in the hall once something of that kind comes. */
  async told<Kind extends ToTabs['kind']>(kind: Kind): Promise<Extract<ToTabs, { kind: Kind }>> {
    for (;;) {
      const found = this.heard.find(
        ([port, said]) => port === hallOf(this.storage) && (said as ToTabs).kind === kind,
      );
      if (found) return found[1] as Extract<ToTabs, { kind: Kind }>;
      await new Promise((resolve) => this.socket.once('said', resolve));
    }
  }

  join(app: string, who: Who, as: 'worker' | 'outside' = 'worker', proof: DeviceProof | null = null): void {
    this.say(hallOf(this.storage), { kind: 'join', app, as, who, isOnline: true, time: null, proof });
  }

  async link(app: string): Promise<ChannelLink> {
    const { hostId } = await this.told('joined');
    const name = channelOf(this.storage, hostId, app);
    const port: Port = {
      say: (message) => this.say(name, message),
      hear: (listener) => void this.ports.set(name, listener),
      close: () => void this.ports.delete(name),
    };
    return new ChannelLink(unbatched(port));
  }

  files = (asked: unknown): Promise<AnswerOfFiles> => this.socket.emitWithAck('files', asked);
  voices = (asked: unknown): Promise<AnswerOfVoices> => this.socket.emitWithAck('voices', asked);
}
