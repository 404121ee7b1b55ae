import type { CallRecord, Recording } from '@/core/calls/exchange';
import { writtenFax, type Fax } from '@/core/inbox/fax';
import { roomNumber, type Message, type Room } from '@/core/inbox/messages';
import { shiftLocalDays, startOfLocalDay } from '@/core/shared/time';

import { sampleOffice } from './office';

/** Whose inbox it is. */
export const sampleWorkerId = 'maren';

const minuteMs = 60_000;
const hourMs = 60 * minuteMs;
const textLine = 'text';

/** Who left which of the spoken messages this morning. */
const spoken: Readonly<Record<string, string>> = {
  '+441914980162': 'vm-cawder',
  '+441174960155': 'vm-peg',
  '+441174960171': 'vm-marl',
};

const text = (
  given: Pick<Message, 'id' | 'at' | 'number' | 'text' | 'direction'> & Partial<Message>,
): Message => ({
  callId: null,
  fromId: null,
  asks: null,
  lineId: textLine,
  picture: null,
  state: given.direction === 'in' ? 'received' : 'delivered',
  failure: null,
  tries: 0,
  notBefore: null,
  sentAt: given.direction === 'out' ? given.at : null,
  deliveredAt: given.direction === 'out' ? given.at + 3_000 : null,
  readAt: null,
  ...given,
});

/** Who says what in the recorded calls. */
const dictated: Readonly<Record<string, string>> = {
  '+441174960171': 'hello-marl',
  '+441314960142': 'hello-bexhollow',
};

/** What stands beside the sample's calls: spoken messages, texts, and when the worker last cleared the list by hand. */
export function sampleInbox(
  records: readonly CallRecord[],
  now: number,
): {
  voicemails: { record: CallRecord; clip: string }[];
  /** What is heard in recordings of the sample's calls, from its beginning. */
  recordings: { record: CallRecord; recording: Recording; clip: string }[];
  messages: Message[];
  rooms: Room[];
  faxes: Fax[];
  doneBefore: number;
} {
  const voicemails = records
    .filter(({ messageMs, startedAt }) => messageMs > 0 && now - startedAt < hourMs)
    .flatMap((record) => {
      const clip = spoken[record.other.number ?? ''];
      return clip === undefined ? [] : [{ record, clip }];
    });
  const recordings = records.flatMap((record) =>
    record.recordings.flatMap((recording) => {
      const clip = dictated[record.other.number ?? ''];
      return clip === undefined ? [] : [{ record, recording, clip }];
    }),
  );
  const yesterday = shiftLocalDays(startOfLocalDay(now, sampleOffice.zone), -1, sampleOffice.zone);
  const messages: Message[] = [
    text({
      id: 'sample-text-1',
      at: yesterday + 15 * hourMs,
      number: '+447700900482',
      direction: 'in',
      text: 'Hallin Rigg race control: is the rain gauge back at the start line before Saturday?',
      readAt: yesterday + 15 * hourMs + 4 * minuteMs,
    }),
    text({
      id: 'sample-text-2',
      at: yesterday + 15 * hourMs + 9 * minuteMs,
      number: '+447700900482',
      direction: 'out',
      text: 'It is. I calibrated it this morning, it reads to 0.2 mm.',
    }),
    text({
      id: 'sample-text-3',
      at: now - 33 * minuteMs,
      number: '+447700900155',
      direction: 'in',
      text: 'That is how it looks from the lane.',
      picture: {
        id: 'sample-picture-1',
        url: '/pictures/bent-mast.jpg',
        width: 640,
        height: 480,
        bytes: 24_000,
        alt: 'A weather mast bent over a dry-stone wall',
      },
    }),
    text({
      id: 'sample-text-4',
      at: now - 17 * minuteMs,
      number: '+447700900333',
      direction: 'in',
      text: 'Gate code for the lower beck is 4120. Kettle is on in the hut. When do you come by?',
    }),
  ];
  return {
    voicemails,
    recordings,
    messages: [...messages, ...writtenInRooms(yesterday, now)],
    rooms: rooms(yesterday),
    faxes: [permit(now - 52 * minuteMs)],
    doneBefore: yesterday + 17 * hourMs,
  };
}

/** Paper that came this morning. */
const permit = (at: number): Fax =>
  writtenFax({
    id: 'sample-fax-1',
    at,
    number: '+441174960155',
    lineId: 'field',
    title: 'Access permit, Lathmoor Farm',
    pages: 1,
    pagesUrl: '/faxes/access-permit.pdf',
    direction: 'in',
    state: 'received',
  });

const room = (given: Pick<Room, 'id' | 'name' | 'memberIds' | 'createdAt'> & Partial<Room>): Room => ({
  isOpen: true,
  callId: null,
  closedAt: null,
  ...given,
});

const rooms = (at: number): Room[] => [
  room({ id: 'cawder', name: 'Cawder gauges', memberIds: ['maren', 'ilse', 'nadia'], createdAt: at }),
  room({ id: 'stores', name: 'Stores and batteries', memberIds: ['hugh', 'tobias', 'bryn'], createdAt: at }),
  room({
    id: 'field',
    name: 'Field and owner',
    isOpen: false,
    memberIds: ['maren', 'sunniva', 'kofi'],
    createdAt: at,
  }),
];

function writtenInRooms(yesterday: number, now: number): Message[] {
  const said = (id: string, roomId: string, fromId: string, at: number, words: string): Message =>
    text({
      id: `sample-room-${id}`,
      at,
      number: roomNumber(roomId),
      direction: fromId === 'maren' ? 'out' : 'in',
      fromId,
      text: words,
      readAt: at < now - hourMs ? at : null,
    });
  return [
    said('1', 'cawder', 'nadia', yesterday + 14 * hourMs, 'The Cawder logger sends zeros since two.'),
    said('2', 'cawder', 'maren', yesterday + 14.5 * hourMs, 'I look at it first thing tomorrow.'),
    said('3', 'cawder', 'ilse', now - 40 * minuteMs, 'Rain is due at three. Flood Watch asks every hour.'),
    said(
      '4',
      'stores',
      'hugh',
      yesterday + 10 * hourMs,
      'Twelve 17 Ah batteries came in, six are spoken for.',
    ),
    said('5', 'stores', 'tobias', yesterday + 11 * hourMs, 'Two of them for the bench, please.'),
    said('6', 'field', 'kofi', yesterday + 16 * hourMs, 'Who can take the Saturday race?'),
    said('7', 'field', 'sunniva', now - 25 * minuteMs, 'I can, if somebody else goes to Lathmoor.'),
  ];
}
