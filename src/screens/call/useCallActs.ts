import { isHostIn, isOpenRoom, recordingPolicyOf, type Command } from '@/core/calls/exchange';
import type { PeopleIndex } from '@/core/people/contacts';
import {
  actMet,
  selectMet,
  selectMyId,
  park,
  selectMyOtherDevices,
  selectOffice,
  selectPeople,
  send,
  sendAndSay,
  useAppDispatch,
  selectUnreadInChat,
  useAppSelector,
  type CallView,
  type PartyView,
} from '@/state/app';

import { takesKeys } from '../shared/callWords';
import { useGo } from '../shared/useGo';
import type { ActGroup, CallAct } from './ActRows';
import { useMeetingActs } from './meeting/useMeetingActs';
import type { OpenSheet } from './sheetKinds';

interface Keys {
  isOpen: boolean;
  toggle: () => void;
}

/** The acts of the call that is shown, in three groups by what they are for. */
export function useCallActs(
  view: CallView | undefined,
  calls: readonly CallView[],
  keys: Keys,
  open: (sheet: OpenSheet) => void,
  rest: Parameters<typeof useMeetingActs>[2] = null,
): ActGroup[] {
  const dispatch = useAppDispatch();
  const office = useAppSelector(selectOffice);
  const myId = useAppSelector(selectMyId);
  const hasOtherDevice = useAppSelector((state) => selectMyOtherDevices(state).length > 0);
  const people = useAppSelector(selectPeople);
  const met = useAppSelector(selectMet);
  const unread = useAppSelector((state) => selectUnreadInChat(state, view?.id));
  const go = useGo();
  const meeting = useMeetingActs(view, open, rest);
  if (!view) return [];
  const [only, ...more] = view.others;
  const stranger = more.length === 0 && only ? strangersNumber(only, people) : null;
  const { legId, muted, state } = view.me;
  const isTalking = view.phase === 'talking';
  const isTalk = isTalking || (view.phase === 'held' && view.call.answeredAt !== null);
  const isEmergency = view.call.emergency !== null;
  const held = calls.find((other) => other !== view && other.phase === 'held');
  const act = (command: Command) => () => void dispatch(send(command));

  const holding: CallAct =
    state === 'held'
      ? { word: 'Talk again', onPress: act({ type: 'retrieve', legId }) }
      : { word: 'Hold', disabled: !isTalking || isEmergency, onPress: act({ type: 'hold', legId }) };
  const swapping: CallAct[] = held
    ? [
        {
          word: 'Swap',
          disabled: isEmergency,
          onPress: act({ type: 'retrieve', legId: held.me.legId, activeCall: 'hold' }),
        },
      ]
    : [];
  const isOpenTo = isTalk && !isEmergency;
  // Who is in a conference is for its hosts to say.
  const mine = view.call.legs.find(({ id }) => id === legId);
  const decides =
    isOpenTo && (!view.call.legs.some(isOpenRoom) || (mine !== undefined && isHostIn(view.call, mine)));
  return [
    {
      name: 'My sound',
      acts: [
        {
          word: 'Mute',
          isOn: muted,
          disabled: state !== 'connected',
          onPress: act({ type: muted ? 'unmute' : 'mute', legId }),
        },
        {
          word: 'Keys',
          isOn: keys.isOpen,
          disabled: !takesKeys(view),
          onPress: keys.toggle,
        },
        { word: 'Sound', onPress: () => open({ kind: 'sound' }) },
      ],
    },
    ...(meeting ? [meeting] : []),
    {
      name: 'This call',
      hint: hintOf(met, decides),
      acts: [
        holding,
        ...swapping,
        { word: 'Transfer', disabled: !decides, onPress: () => open({ kind: 'transfer', view }) },
        { word: 'Add', disabled: !decides, onPress: () => open({ kind: 'add', view }) },
        {
          word: 'Park',
          disabled: !decides,
          onPress: () => {
            dispatch(actMet('park'));
            void dispatch(park(view));
          },
        },
        {
          word: 'Move',
          disabled: !isOpenTo || !hasOtherDevice,
          onPress: () => {
            dispatch(actMet('move'));
            open({ kind: 'move', view });
          },
        },
        ...(meeting || held
          ? []
          : [
              {
                word: 'Meeting',
                disabled: !decides,
                onPress: () =>
                  void dispatch(
                    sendAndSay(
                      { type: 'meet', legId },
                      'It is a meeting: show your picture, or add somebody.',
                    ),
                  ),
              },
            ]),
      ],
    },
    {
      name: 'Keep',
      acts: [
        ...recordingActs(
          view,
          recordingPolicyOf(office, view.call, myId),
          isOpenTo,
          (command, said) => () => void dispatch(sendAndSay(command, said)),
        ),
        { word: 'Note', onPress: () => open({ kind: 'note', view }) },
        ...(stranger ? [{ word: 'Add contact', onPress: () => go.newContact(stranger) }] : []),
        ...(view.others.some(({ personId }) => personId !== null)
          ? [{ word: unread > 0 ? `Chat ${unread}` : 'Chat', onPress: () => open({ kind: 'chat', view }) }]
          : []),
      ],
    },
  ];
}

/** What a trade word does, in one line, until it has been used once. */
function hintOf(met: readonly string[], isOpenTo: boolean): string | undefined {
  if (!isOpenTo) return undefined;
  if (!met.includes('park'))
    return 'Park: they wait in a numbered slot with music, until any phone takes them back.';
  return met.includes('move') ? undefined : 'Move: you carry on at another phone of yours.';
}

/** The number of somebody outside whom the directory does not know; null for all others. */
const strangersNumber = ({ number, personId }: PartyView, people: PeopleIndex): string | null =>
  personId === null && number !== null && number.startsWith('+') && people.whoHas(number) === null
    ? number
    : null;

function recordingActs(
  { recording, me: { legId } }: CallView,
  policy: 'always' | 'onDemand' | 'never',
  mayRecord: boolean,
  act: (command: Command, said: string) => () => void,
): CallAct[] {
  const record = (what: 'start' | 'pause' | 'resume' | 'stop') =>
    ({ type: 'record', legId, act: what }) as const;
  const isOn = recording?.state === 'on';
  const isPaused = recording?.state === 'paused';
  const stop = { word: 'Stop', onPress: act(record('stop'), 'The recording is kept when the call ends.') };
  if (policy === 'always' && isOn)
    return [{ word: 'Recorded', disabled: true, isOn, onPress: () => undefined }];
  if (isOn) return [{ word: 'Pause', onPress: act(record('pause'), 'The recording is paused.') }, stop];
  if (isPaused && policy === 'onDemand')
    return [{ word: 'Resume', onPress: act(record('resume'), 'Recording again. Everybody is told.') }, stop];
  if (isPaused && policy === 'never') return [stop];
  if (policy === 'never') return [{ word: 'No recording', disabled: true, onPress: () => undefined }];
  return [
    { word: 'Record', disabled: !mayRecord, onPress: act(record('start'), 'Recording. Everybody is told.') },
  ];
}
