import { formatClock, formatDay, formatDuration } from '@/core/shared/time';
import type { Notice } from './notice';

export interface WrittenMail {
  subject: string;
  text: string;
  attachments: { filename: string; contentType: string; base64: string }[];
  /** What calendars take of it, as iCalendar with `METHOD:REQUEST` (RFC 6047). */
  calendar?: string;
}

/** The notice as a mail, in plain text; a voicemail's sound goes with it as a file. */
export function mailOf(notice: Notice): WrittenMail {
  const { kind, at, zone, forName, line, from, words, soundWav } = notice;
  const who = from.name;
  const when = `${formatDay(at, 0, zone)}, ${formatClock(at, zone)}`;
  const facts = [
    `From: ${who}${from.number === null || from.number === from.name ? '' : ` (${from.number})`}`,
    line ? `Line: ${line.name} (${line.number})` : null,
    `For: ${forName}`,
    `When: ${when} (${zone})`,
  ];
  return {
    subject: oneLine(`${nounOf(notice)} from ${who}${line ? ` on ${line.name}` : ''}`),
    text: [
      `${nounOf(notice)}.`,
      '',
      ...facts.filter((fact) => fact !== null),
      '',
      ...(words === null ? absence(notice) : [words]),
      '',
    ].join('\n'),
    attachments:
      soundWav === null
        ? []
        : [{ filename: `${kind}-${fileStamp(at)}.wav`, contentType: 'audio/wav', base64: soundWav }],
  };
}

function nounOf({ kind, durationMs }: Notice): string {
  switch (kind) {
    case 'missedCall':
      return 'Missed call';
    case 'voicemail':
      return durationMs === null ? 'Voicemail' : `Voicemail of ${formatDuration(durationMs)}`;
    case 'text':
      return 'Text';
  }
}

/** Said instead of words that are not there. */
function absence({ kind, soundWav }: Notice): string[] {
  if (kind !== 'voicemail') return [];
  return [soundWav === null ? 'Its sound is not there.' : 'Nobody has written down what was said.'];
}

/** Line ends in a name would begin another header. */
const oneLine = (text: string) => text.replace(/[\r\n]+/g, ' ');

const fileStamp = (at: number) => new Date(at).toISOString().slice(0, 16).replace(':', '');

/**
 * The notice as a webhook's body (JSON): `type` in the dotted form of Standard Webhooks, times as ISO 8601; lengths in whole seconds, as the app
 * shows them. */
export function webhookBodyOf({
  id,
  kind,
  at,
  forName,
  line,
  from,
  words,
  durationMs,
  soundWav,
}: Notice): string {
  return JSON.stringify({
    type: { missedCall: 'call.missed', voicemail: 'voicemail.left', text: 'text.received' }[kind],
    timestamp: new Date(at).toISOString(),
    data: {
      id,
      for: forName,
      line,
      from,
      words,
      durationSeconds: durationMs === null ? null : Math.floor(durationMs / 1000),
      sound: soundWav === null ? null : { contentType: 'audio/wav', base64: soundWav },
    },
  });
}

interface AskedCode {
  code: string;
  officeName: string;
  personName: string;
}

/** Asks whether the address is that person's: they type the code that is in it. */
export const mailOfCode = ({ code, officeName, personName }: AskedCode): WrittenMail => ({
  subject: oneLine(`${code} is your code`),
  text: [
    `${personName} of ${officeName} wants to be told of missed calls, voicemails and texts at this address.`,
    '',
    `If that is you, type this code in Cendro within an hour: ${code}`,
    'If it is not, do nothing, and nothing more will come.',
    '',
  ].join('\n'),
  attachments: [],
});

/** The same for another program, to whose keeper it says the code. */
export const webhookBodyOfCode = ({ code, officeName, personName }: AskedCode): string =>
  JSON.stringify({ type: 'place.asked', data: { code, office: officeName, for: personName } });
