import type { CarrierCast, FaxCast } from '@/office/carrier';
import type { Script, StandInCast } from '@/office/standins';

import voices from './voices.json';

const answers = (clip: string, afterSeconds: number, talksForSeconds: number | null = null): Script => ({
  kind: 'answers',
  afterSeconds,
  talksForSeconds,
  clip,
});

/** How the sample's people and companies behave until Outside tells them otherwise. */
export const sampleCast: StandInCast & CarrierCast & FaxCast = {
  scripts: {
    '+441314960142': answers('hello-bexhollow', 5),
    '+441914980117': answers('hello-skerrow', 4),
    '+441174960155': answers('hello-peg', 6),
    '+447700900155': { kind: 'neverAnswers' },
    '+447700900333': answers('hello-angling', 8, 45),
    '+441914980162': answers('hello-cawder', 3),
    '+447700900482': { kind: 'busy', freeSeconds: 40 },
    '+441174960171': answers('hello-marl', 4, 60),
    '+441314960188': { kind: 'menu', afterSeconds: 2, menuId: 'glenbrae' },
    '+12025550147': answers('hello-corvane', 7),
    '+61491570156': { kind: 'unknownNumber' },
    '999': { kind: 'neverAnswers' },
    'maren-desk': { kind: 'byHand' },
    'maren-mobile': { kind: 'byHand' },
    'ilse-desk': answers('hello-ilse', 6),
    'sunniva-desk': answers('hello-sunniva', 9),
    'kofi-desk': answers('hello-kofi', 5),
    'odile-desk': answers('hello-odile', 4),
    'hugh-desk': { kind: 'refuses', afterSeconds: 4 },
    'tobias-desk': { kind: 'neverAnswers' },
    'nadia-desk': { kind: 'neverAnswers' },
    'nadia-mobile': answers('hello-someone', 5),
    'bryn-desk': answers('hello-someone', 3),
  },
  otherwise: answers('hello-someone', 5),
  menus: {
    glenbrae: {
      greeting: 'menu-greeting',
      choices: {
        '1': { clip: 'menu-forecast', thenHangUp: false },
        '2': { clip: 'menu-log', thenHangUp: false },
        '9': { clip: 'menu-goodbye', thenHangUp: true },
      },
      wrongKey: 'menu-wrong',
    },
  },
  clips: voices,
  callerClips: {
    '+441914980162': 'caller-cawder',
    '+441914980117': 'caller-skerrow',
    otherwise: 'caller-someone',
  },
  guest: 'Zofia Kern',
  messageClip: 'message',
  texts: {
    '+447700900333': {
      kind: 'delivers',
      afterSeconds: 2,
      reply: { text: 'Thanks. I will leave the gate on the latch.', afterSeconds: 20 },
    },
    '+447700900155': { kind: 'phoneOff' },
    '+61491570156': { kind: 'refuses' },
  },
  faxes: {
    '+441314960142': { kind: 'busy' },
    '+447700900333': { kind: 'voice' },
    '+447700900482': { kind: 'voice' },
    '+61491570156': { kind: 'noAnswer' },
  },
  textsOtherwise: { kind: 'delivers', afterSeconds: 3, reply: null },
};
