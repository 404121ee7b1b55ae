import { useEffect, useRef } from 'react';

import {
  actDone,
  answerFirst,
  isActive,
  selectIncoming,
  selectTaken,
  send,
  useAppDispatch,
  useAppStore,
} from '@/state/app';
import { openLayers } from '@/ui/layer';

import { openCallSheet } from '../call/openSheet';
import { beginTypingAhead, typeAhead } from '../call/typedAhead';
import { openHelp } from '../help/openHelp';
import { useGo } from '../shared/useGo';
import { useGoToCall } from '../shared/useGoToCall';

const twiceWithinMs = 1500;
/** By their place, since Alt gives some keyboards another sign there. */
const answeringKeys: Record<string, string> = { KeyA: 'a', KeyR: 'r' };

/** Single keys for what is done in a hurry, on a wide screen with a keyboard. */
export function Shortcuts() {
  const store = useAppStore();
  const dispatch = useAppDispatch();
  const go = useGo();
  const goToCall = useGoToCall();
  const endPressedAt = useRef(-Infinity);

  useEffect(() => {
    const current = () => {
      const taken = selectTaken(store.getState());
      return taken.find(isActive) ?? taken[0];
    };
    const press = (key: string): boolean => {
      const view = current();
      const legId = view?.me.legId ?? '';
      switch (key) {
        case '/':
        case 'd':
          go.dial();
          return true;
        case 'p':
          go.plan();
          return true;
        case 's':
          go.standing();
          return true;
        case '?':
          openHelp();
          return true;
        case 'a':
          void dispatch(answerFirst()).then((result) => result?.ok && goToCall());
          return true;
        case 'r': {
          const [first] = selectIncoming(store.getState());
          if (first) void dispatch(send({ type: 'refuse', legId: first.me.legId }));
          return first !== undefined;
        }
      }
      if (!view) return false;
      switch (key) {
        case 'm':
          void dispatch(send({ type: view.me.muted ? 'unmute' : 'mute', legId }));
          return true;
        case 'h':
          void dispatch(send({ type: view.phase === 'held' ? 'retrieve' : 'hold', legId }));
          return true;
        case 't':
          beginTypingAhead();
          openCallSheet({ kind: 'transfer', view });
          return true;
        case 'n':
          beginTypingAhead();
          openCallSheet({ kind: 'note', view });
          return true;
        case 'e':
          if (performance.now() - endPressedAt.current < twiceWithinMs) {
            endPressedAt.current = -Infinity;
            void dispatch(send({ type: 'clear', legId }));
          } else {
            endPressedAt.current = performance.now();
            dispatch(actDone('Press E once more to end the call.'));
          }
          return true;
        default:
          return false;
      }
    };
    const onKey = (event: KeyboardEvent) => {
      const isTyping =
        event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
      if (event.ctrlKey || event.metaKey || event.repeat) return;
      // A caller is answered from wherever one is, also in the middle of a word.
      const answering = event.altKey ? answeringKeys[event.code] : undefined;
      const isInLayer = openLayers().some(({ isAside }) => !isAside);
      const key = answering ?? event.key.toLowerCase();
      if (answering === undefined && (isTyping || event.altKey)) return;
      if (answering === undefined && typeAhead(event.key)) return event.preventDefault();
      if (isInLayer && key !== 'a' && key !== 'r') return;
      if (press(key)) event.preventDefault();
    };
    // Before a field has it, which lets no key through.
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, [store, dispatch, go, goToCall]);

  return null;
}
