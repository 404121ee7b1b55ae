import { qualityOver } from '@/core/calls/quality';
import {
  selectCallerChoices,
  selectCallHabits,
  selectClockStyle,
  selectDialling,
  selectFavourites,
  selectKeepDays,
  selectMyPlan,
  selectOwnReplies,
  useAppSelector,
} from '@/state/app';
import { selectMyPin, selectMySignIns } from '@/state/access';
import { selectRunsOffice } from '@/state/configuration';

import { ringWords } from '../tones/toneWords';
import { openCallSheet } from '../call/openSheet';
import { useGo } from '../shared/useGo';

/** Whom something that is chosen goes with: this device alone, its person to all their devices, or the whole office. */
export type ChoiceOf = 'device' | 'person' | 'office';

/** Something that can be chosen, how it is now, and the way to where its effect is. */
export interface ChoiceEntry {
  title: string;
  of: ChoiceOf;
  reading: string;
  /** What else somebody may look for it by. */
  words: string;
  open: () => void;
}

const themeWords = { device: 'as this device', light: 'light', dark: 'dark' };
const noiseWords = { off: 'not at all', light: 'lightly', strong: 'strongly' };
const onOff = (is: boolean, on: string, off: string) => (is ? on : off);
const days = (number: number | null) => (number === null ? 'for good' : `${number} days`);

const openSound = () => openCallSheet({ kind: 'sound' });

/** All that can be chosen, each once; what only whoever runs the office can choose, for them alone. */
export function useChoices(): ChoiceEntry[] {
  const go = useGo();
  const settings = useAppSelector((state) => state.settings);
  const tested = useAppSelector(({ office }) => office.tested);
  const calls = useAppSelector(selectCallHabits);
  const dialling = useAppSelector(selectDialling);
  const clock = useAppSelector(selectClockStyle);
  const caller = useAppSelector(selectCallerChoices);
  const favourites = useAppSelector(selectFavourites).length;
  const replies = useAppSelector(selectOwnReplies).length;
  const keep = useAppSelector(selectKeepDays);
  const plan = useAppSelector(selectMyPlan);
  const pin = useAppSelector(selectMyPin);
  const signIns = useAppSelector(selectMySignIns).length;
  const runs = useAppSelector(selectRunsOffice);
  const { microphone, speaker, ringer, noise, textSize, theme, hand, ringVolume, ringTones } = settings;

  const of = (kind: ChoiceOf) => (title: string, reading: string, words: string, open: () => void) => ({
    ...{ title, reading, words, open },
    of: kind,
  });
  const device = of('device');
  const person = of('person');
  const office = of('office');
  return [
    device('Light and dark', themeWords[theme], 'theme colours night sun', () => go.choice('Light and dark')),
    device('Size of text', `${textSize} %`, 'letters larger zoom font', () => go.choice('Size of text')),
    device('Your hand', `the ${hand} thumb`, 'left right handed acts side', () => go.choice('Your hand')),
    device(
      'Ring tones',
      `${ringWords[ringTones.customer]} for most, ${ringVolume} % loud`,
      'sound volume loud vibration tremble silent bell',
      go.tones,
    ),
    device(
      'Microphone and loudspeaker',
      [microphone?.name, speaker?.name].filter(Boolean).join(', ') || 'as this device chooses',
      'headset earpiece sound test level',
      openSound,
    ),
    device('Where it rings', ringer?.name ?? 'where you hear', 'ringing device headset', openSound),
    device('Noise around you is taken out', noiseWords[noise], 'suppression wind fan background', openSound),
    device(
      'While Cendro is not in front',
      onOff(settings.tellsElsewhere, 'the system tells you', 'nothing is told'),
      'notifications alerts system badge',
      () => go.choice('While Cendro is not in front'),
    ),
    device(
      'How a call goes out',
      settings.way ?? 'as Cendro recommends',
      'way data mobile network wifi',
      go.dial,
    ),
    device(
      'How calls sound from here',
      tested ? `MOS ${qualityOver(tested).mos.toFixed(1)} when last tried` : 'not tried here',
      'connection test network quality jitter loss relay stun turn mos',
      go.connection,
    ),
    device(
      'Where help is sent',
      'the address an emergency call tells',
      'emergency location address 999 112',
      go.place,
    ),
    device(
      'Lock this device',
      settings.lockAfter === null ? 'never' : `after ${settings.lockAfter} min`,
      'lock shared screen pin timeout',
      go.devices,
    ),
    device(
      'Signed in on',
      signIns === 0 ? 'this browser' : signIns === 1 ? 'one device' : `${signIns} devices`,
      'sign out wipe devices leave join',
      go.devices,
    ),
    person(
      'PIN',
      pin === 'none' ? 'none yet' : pin === 'given' ? 'given, choose your own' : 'your own',
      'password secret mailbox join',
      go.devices,
    ),
    person(
      'Where I stand',
      'what you do now, and what rings',
      'situation away do not disturb status presence',
      go.standing,
    ),
    person(
      'Who rings when',
      plan.rules.length === 1 ? '1 rule' : `${plan.rules.length} rules`,
      'ring plan forwarding find me hours',
      go.plan,
    ),
    person(
      'Greetings',
      `${plan.greetings?.length || 'none'}`,
      'mailbox voicemail message answer',
      go.greetings,
    ),
    person(
      'A second call during a call',
      onOff(calls.waiting, 'may ring', 'does not ring'),
      'call waiting busy knock',
      () => go.choice('Calls'),
    ),
    person(
      'The waiting call is taken by itself',
      onOff(calls.takesWaiting && calls.waiting, 'yes', 'no'),
      'call waiting automatic answer',
      () => go.choice('Calls'),
    ),
    person(
      'Rings in a meeting',
      onOff(calls.quietInMeetings, 'urgent lines alone', 'as always'),
      'quiet silent calendar',
      () => go.choice('Calls'),
    ),
    person(
      'The number that others see',
      caller.asks ? 'asked before each call' : onOff(caller.withhold, 'withheld', 'shown'),
      'caller id withhold anonymous presented',
      go.dial,
    ),
    person(
      'Asked whether my number is shown',
      onOff(caller.asks, 'before each call outside', 'no'),
      'caller id withhold anonymous ask',
      () => go.choice('Numbers and dialling'),
    ),
    person('Times of day', clock === '24' ? '16:40' : '4:40 pm', '12 24 hours clock am pm', () =>
      go.choice('Times of day'),
    ),
    person(
      'A call that begins',
      onOff(calls.comes, 'comes to the front', 'stays in its strip'),
      'front',
      () => go.choice('Calls'),
    ),
    person(
      'How numbers are written',
      dialling.writing === 'local' ? 'as at home' : 'with the country',
      'international local format prefix',
      () => go.choice('Numbers and dialling'),
    ),
    person('Enter in Dial', onOff(dialling.enterCalls, 'calls', 'does not call'), 'keyboard return key', () =>
      go.choice('Numbers and dialling'),
    ),
    person('Favourites', `${favourites}`, 'often speed dial', go.dial),
    person('Ready replies', `${replies} of your own`, 'text refuse answers templates', go.loose),
    person(
      'How long things are kept',
      `voicemails ${days(keep.voicemails)}, recordings ${days(keep.recordings)}`,
      'delete retention storage room',
      go.voicemails,
    ),
    person('Told elsewhere', 'by mail, to other programs', 'email webhook notifications', go.telling),
    ...(runs
      ? [
          office(
            'Rules of the house',
            'numbers, recording, calls out, how long kept',
            'policy policies barred emergency country codes',
            () => go.officePart('rules'),
          ),
          office('People', 'who is here, and their phones', 'extension administrator invite join', () =>
            go.officePart('people'),
          ),
          office('Lines', 'numbers, and where they lead', 'number port', () => go.officePart('lines')),
          office('Teams', 'who rings together, queues and hours', 'queue group hours', () =>
            go.officePart('teams'),
          ),
          office('Menus', 'what keys do', 'keys language greeting', () => go.officePart('menus')),
          office('Conferences', 'standing talks behind a PIN', 'meeting pin', () =>
            go.officePart('conferences'),
          ),
        ]
      : []),
  ];
}
