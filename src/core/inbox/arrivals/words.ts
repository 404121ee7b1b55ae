import type { Arrival } from './arrivals';

/** What somebody did, as it goes on after their name: "Peg Anstey left a voicemail". */
export function didWords({ kind, asks, room, slot }: Arrival): string {
  const where = room ? ` in ${room.name}` : '';
  if (asks === 'callBack' && kind !== 'call') return `asks for a call${where}`;
  switch (kind) {
    case 'call':
      return 'called';
    case 'voicemail':
      return 'left a voicemail';
    case 'text':
      return 'sent a text';
    case 'fax':
      return 'sent a fax';
    case 'message':
      return `wrote${where}`;
    case 'mention':
      return `mentions you${where}`;
    case 'parked':
      return `is parked in slot ${slot}`;
  }
}

export const askWords: Record<Arrival['asks'], string> = {
  callBack: 'Call',
  listen: 'Listen',
  reply: 'Reply',
  look: 'Open',
  takeBack: 'Take back',
};
