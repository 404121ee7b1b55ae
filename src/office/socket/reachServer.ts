import { io } from 'socket.io-client';
import { z } from 'zod';

import { guestSeenSchema, type GuestSeen } from '@/core/guests';

import type { Port } from '../channel';
import { answerOfGuestsSchema, type AnswerOfGuests, type AskedOfGuests } from '../guests';
import { DeviceKey } from './DeviceKey';
import {
  answerOfFilesSchema,
  answerOfTellingSchema,
  answerOfVoicesSchema,
  linkPath,
  saidSchema,
  toldOfVoicesSchema,
  type AnswerOfFiles,
  type AnswerOfTelling,
  type AnswerOfVoices,
  type AskedOfFiles,
  type AskedOfSpeech,
  type AskedOfTelling,
  type AskedOfVoices,
  type DeviceProof,
  type ToldOfVoices,
} from './messages';

/** So long an answer is waited for before it is asked again. */
const answerMs = 10_000;
/** Before what could not be understood is asked again. */
const pauseMs = 1_000;
/** Before it is tried again to connect: longer each time, up to that. */
const [firstPauseMs, longestPauseMs] = [200, 3_000];
/** As large as a packet of a voice. */
const echoed = new Uint8Array(120);

/** An office on a server, as an app reaches it. */
export interface ReachedServer {
  /** Ends of channels by their names; what is said while the server is away is lost, and said again by who said it. */
  openPort: (name: string) => Port;
  /** That this is the device it says it is, for the connection of now; null: it has no key, or there is no connection. */
  prove: (app: string, token: string) => Promise<DeviceProof | null>;
  /** Asks until there is an answer: without a connection that is once there is one. Rejects with what the server refused. */
  askOfFiles: (asked: AskedOfFiles) => Promise<Exclude<AnswerOfFiles, { refused: string }>>;
  /** Asks of the place where voices find each other; null: it was not heard. */
  askOfVoices: (asked: AskedOfVoices) => Promise<AnswerOfVoices | null>;
  /** Asks as somebody who has come to a meeting by a link; null: it was not heard. */
  askOfGuests: (asked: AskedOfGuests) => Promise<AnswerOfGuests | null>;
  hearOfGuests: (listener: (seen: GuestSeen) => void) => void;
  /** Asks of where its person is told elsewhere; null: it was not heard. */
  askOfTelling: (asked: AskedOfTelling) => Promise<AnswerOfTelling | null>;
  /** A file of sound that says so; null: the server speaks nothing, or was not heard. */
  speak: (asked: AskedOfSpeech) => Promise<ArrayBuffer | null>;
  hearOfVoices: (listener: (told: ToldOfVoices) => void) => void;
  /** A small packet to the server and back. Rejects where it is not back by then. */
  echo: (withinMs: number) => Promise<void>;
  /** Under which address the server sees this device, whenever it connects. */
  hearSeenFrom: (listener: (address: string) => void) => void;
  /** Whether it is reached within that time, from now on. */
  reachedWithin: (ms: number) => Promise<boolean>;
  /** Whether it is reached, whenever that changes; at first it is taken to be. */
  follow: (listener: (isReached: boolean) => void) => void;
}

/** Connects to the server that this page came from, and again whenever the connection is lost. */
export function reachServer(): ReachedServer {
  const socket = io({
    ...{ path: linkPath, transports: ['websocket'] },
    ...{ reconnectionDelay: firstPauseMs, reconnectionDelayMax: longestPauseMs },
  });
  const ports = new Map<string, (message: unknown) => void>();
  socket.on('said', (...args: unknown[]) => {
    const read = saidSchema.safeParse(args);
    if (read.success) ports.get(read.data[0])?.(read.data[1]);
  });
  let seenFrom: string | null = null;
  socket.on('seenFrom', (address: unknown) => {
    if (typeof address === 'string') seenFrom = address;
  });
  const deviceKey = new DeviceKey();
  let challenge: string | null = null;
  socket.on('challenge', (asked: unknown) => {
    if (typeof asked === 'string') challenge = asked;
  });
  const askOfFiles: ReachedServer['askOfFiles'] = async (asked) => {
    for (;;) {
      const answer = await socket
        .timeout(answerMs)
        .emitWithAck('files', asked)
        .catch(() => null);
      const read = answerOfFilesSchema.safeParse(answer);
      if (!read.success) {
        await new Promise((resolve) => setTimeout(resolve, pauseMs));
        continue;
      }
      if ('refused' in read.data) throw new Error(read.data.refused);
      return read.data;
    }
  };
  const askOnce = async <T>(event: string, asked: unknown, schema: z.ZodType<T>): Promise<T | null> => {
    if (!socket.connected) return null;
    const answer: unknown = await socket
      .timeout(answerMs)
      .emitWithAck(event, asked)
      .catch(() => null);
    return schema.safeParse(answer).data ?? null;
  };
  return {
    openPort: (name) => ({
      say: (message) => {
        if (socket.connected) socket.emit('said', name, message);
      },
      hear: (listener) => void ports.set(name, listener),
      close: () => void ports.delete(name),
    }),
    prove: async (app, token) => (challenge === null ? null : deviceKey.prove(challenge, app, token)),
    askOfFiles,
    askOfVoices: (asked) => askOnce('voices', asked, answerOfVoicesSchema),
    askOfGuests: (asked) => askOnce('guests', asked, answerOfGuestsSchema),
    hearOfGuests: (listener) =>
      void socket.on('guests', (told: unknown) => {
        const read = guestSeenSchema.safeParse(told);
        if (read.success) listener(read.data);
      }),
    askOfTelling: (asked) => askOnce('telling', asked, answerOfTellingSchema),
    speak: (asked) => askOnce('speech', asked, z.instanceof(ArrayBuffer)),
    hearOfVoices: (listener) =>
      void socket.on('voices', (told: unknown) => {
        const read = toldOfVoicesSchema.safeParse(told);
        if (read.success) listener(read.data);
      }),
    echo: async (withinMs) => {
      await socket.timeout(withinMs).emitWithAck('echo', echoed);
    },
    hearSeenFrom: (listener) => {
      if (seenFrom !== null) listener(seenFrom);
      socket.on('seenFrom', (address: unknown) => {
        if (typeof address === 'string') listener(address);
      });
    },
    reachedWithin: (ms) =>
      new Promise((resolve) => {
        if (socket.connected) return resolve(true);
        const timer = setTimeout(() => resolve(false), ms);
        socket.once('connect', () => {
          clearTimeout(timer);
          resolve(true);
        });
      }),
    follow: (listener) => {
      socket.on('connect', () => listener(true));
      socket.on('connect_error', () => listener(false));
      socket.on('disconnect', () => listener(false));
    },
  };
}
