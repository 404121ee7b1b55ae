import type { VoicePath } from '@/core/calls/exchange';
import type { PictureKind } from '@/core/calls/meetings';
import { officeEnd, type FromOffice } from '@/office/forwarding';

import type { Looks } from '../looks';
import { ForwardedVoices } from './ForwardedVoices';
import type { Coming } from './measuring';
import { PeerVoices, type PeerVoicesOptions, type PictureSent, type Signal } from './PeerVoices';

interface CallVoicesOptions extends Omit<PeerVoicesOptions, 'signal'> {
  /** Says something to the browser at another end, or to the office. */
  signal: (to: string, signal: unknown) => void;
}

/** At which other ends there is a page; and whether the office forwards what goes between them. */
export interface Together {
  peers: readonly { legId: string; by: string }[];
  forwarded?: 'opening' | 'settled' | undefined;
}

/**
 * The voices and pictures at one end of a call: from browser to browser, or where there are too many by way of the office. They go both ways until
 * all are connected to it, so that nobody misses a word.
 */
export class CallVoices {
  private readonly mesh: PeerVoices;
  private forwarded: ForwardedVoices | null = null;
  private isSettled = false;
  private isOfficeLost = false;
  private ends: readonly string[] = [];
  private paths: readonly VoicePath[] = [];
  private pictures: readonly PictureSent[] = [];
  private looks: ReadonlyMap<string, Looks> = new Map();

  constructor(private readonly options: CallVoicesOptions) {
    this.mesh = new PeerVoices(options);
  }

  together({ peers, forwarded }: Together): void {
    this.mesh.setPeers(peers);
    // The office has begun anew.
    if (!forwarded || (forwarded === 'opening' && this.isSettled)) this.goDirect();
    if (!forwarded) return;
    if (this.isOfficeLost) this.forwarded?.reachedAgain();
    this.isOfficeLost = false;
    this.forwarded ??= this.open();
    if (forwarded === 'settled') this.settle(this.forwarded);
  }

  /** The office is not reached: who is there is not known, and those who are heard still are. */
  officeLost(): void {
    this.isOfficeLost = true;
    this.mesh.setPeers([]);
  }

  setEnds(legIds: readonly string[]): void {
    this.ends = legIds;
    this.mesh.setEnds(this.isSettled ? [] : legIds);
  }

  setPaths(paths: readonly VoicePath[]): void {
    this.paths = paths;
    this.mesh.setPaths(paths);
    this.forwarded?.setPaths(paths);
  }

  setPictures(pictures: readonly PictureSent[]): void {
    this.pictures = pictures;
    this.mesh.setPictures(pictures);
    this.forwarded?.setPictures(pictures);
  }

  setLooks(looks: ReadonlyMap<string, Looks>): void {
    this.looks = looks;
    this.mesh.setLooks(looks);
    this.forwarded?.setLooks(looks);
  }

  async hear(from: string, signal: unknown): Promise<void> {
    if (from === officeEnd) await this.forwarded?.hear(signal as FromOffice);
    else await this.mesh.hear(from, signal as Signal);
  }

  networkChanged(): void {
    this.mesh.networkChanged();
    this.forwarded?.networkChanged();
  }

  voiceChanged(): void {
    this.mesh.voiceChanged();
    this.forwarded?.voiceChanged();
  }

  async measure(): Promise<Coming | null> {
    const [direct, forwarded] = await Promise.all([this.mesh.measure(), this.forwarded?.measure() ?? null]);
    return direct ?? forwarded;
  }

  levels(): Map<string, number> {
    return this.settled?.levels() ?? this.mesh.levels();
  }

  /** Beside the voice they go from browser to browser alone. */
  sendDigits(digits: string): void {
    this.mesh.sendDigits(digits);
  }

  isSpeaking(): Promise<boolean> {
    return (this.settled ?? this.mesh).isSpeaking();
  }

  get resting(): ReadonlySet<PictureKind> {
    return (this.settled ?? this.mesh).resting;
  }

  close(): void {
    this.goDirect();
    this.mesh.close();
  }

  private get settled(): ForwardedVoices | null {
    return this.isSettled ? this.forwarded : null;
  }

  private open(): ForwardedVoices {
    const forwarded = new ForwardedVoices({
      ...this.options,
      signal: (signal) => this.options.signal(officeEnd, signal),
    });
    forwarded.setPaths(this.paths);
    forwarded.setPictures(this.pictures);
    forwarded.setLooks(this.looks);
    return forwarded;
  }

  /** Nobody sends to another one any more. */
  private settle(forwarded: ForwardedVoices): void {
    if (this.isSettled) return;
    this.isSettled = true;
    this.mesh.setEnds([]);
    forwarded.begin();
  }

  private goDirect(): void {
    this.forwarded?.close();
    this.forwarded = null;
    this.isSettled = false;
    this.mesh.setEnds(this.ends);
  }
}
