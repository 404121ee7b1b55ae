import type { Target } from '@/core/calls/exchange';
import { nameOfCall, type CallView, type Outlook } from '@/state/app';
import type { Band } from '@/ui/scale';

import type { TargetChoice } from './useTargets';

export type Purpose = 'transfer' | 'add' | 'passOn';

/** What is done with the place that was tapped. */
export interface ForecastActs {
  talkFirst: () => void;
  /** To whatever rings there, or to the mailbox. */
  sendTo: (target: Target) => void;
}

interface Asked {
  view: CallView;
  purpose: Purpose;
  target: TargetChoice;
  outlook: Outlook;
  /** After so long a call that was sent comes back. */
  returnSeconds: number;
  /** Why they can't be sent there at all; null where they can. */
  obstacle: string | null;
  /** What the device of the worker is called on the scale. */
  me: string;
}

/** The target's seconds as the places a call can be sent to, each with what will be true afterwards. */
export function bandsOf(asked: Asked, acts: ForecastActs): { bands: Band[]; totalSeconds: number } {
  const { view, purpose, target, outlook, obstacle } = asked;
  if (obstacle !== null)
    return {
      bands: [{ key: 'none', word: 'Not there', sentence: obstacle, bars: [] }],
      totalSeconds: asked.returnSeconds,
    };
  const bands = [
    ...(purpose === 'passOn' ? [] : [firstBand(asked, acts)]),
    phonesBand(asked, acts),
    ...(canReachMailbox(view, purpose, target) ? [mailboxBand(asked, acts)] : []),
  ];
  const ringing = outlook.kind === 'rings' ? outlook.finishSeconds : 0;
  const isSent = purpose === 'transfer' && (outlook.kind === 'rings' || outlook.kind === 'outside');
  // Beyond the ringing there is room for what comes then.
  return { bands, totalSeconds: Math.max(ringing, isSent ? asked.returnSeconds : 0, 15) + 5 };
}

/** A mailbox takes one caller; who is only asked in is not sent there. */
const canReachMailbox = (view: CallView, purpose: Purpose, { personId }: TargetChoice) =>
  personId !== null && purpose !== 'add' && view.others.length === 1;

function firstBand({ view, purpose, target, outlook, me }: Asked, { talkFirst }: ForecastActs): Band {
  const callers = nameOfCall(view);
  const hear = view.others.length > 1 ? 'hear' : 'hears';
  return {
    key: 'first',
    word: purpose === 'add' ? 'Talk first, then all together' : 'Talk first',
    sentence:
      outlook.kind === 'nothingRings'
        ? `Nothing rings there now: you would reach ${outlook.finishWords}. ${callers} ${hear} music.`
        : outlook.kind === 'menu'
          ? `You hear the ${outlook.name}. ${callers} ${hear} music.`
          : `${target.name} is called for you. ${callers} ${hear} music until you bring them together.`,
    bars: [{ label: me, fromSeconds: 0, toSeconds: null }],
    onPress: talkFirst,
  };
}

function phonesBand({ view, purpose, target, outlook, returnSeconds }: Asked, acts: ForecastActs): Band {
  const callers = nameOfCall(view);
  const send = () => acts.sendTo({ kind: 'number', to: target.to });
  const word =
    purpose === 'add'
      ? 'Ask them in now'
      : outlook.kind === 'menu'
        ? 'To the menu now'
        : 'To their phones now';
  const isSeveral = view.others.length > 1;
  const comeBack = isSeveral ? 'come back' : 'comes back';
  const together = isSeveral ? `The ${view.others.length} others stay together. ` : '';
  switch (outlook.kind) {
    case 'menu':
      return purpose === 'add' || isSeveral
        ? { key: 'phones', word, sentence: 'A menu speaks to one caller only.', bars: [] }
        : {
            key: 'phones',
            word,
            sentence: `${callers} hears the ${outlook.name} at once, and does not come back.`,
            bars: [{ label: outlook.name, fromSeconds: 0, toSeconds: null }],
            onPress: send,
          };
    case 'nothingRings':
      return {
        key: 'phones',
        word,
        sentence:
          purpose === 'transfer'
            ? 'Nothing rings there now: it would come back to you at once.'
            : `Nothing rings there now. At once: ${outlook.finishWords}.`,
        bars: [],
        ...(purpose === 'passOn' && { onPress: send }),
      };
    case 'outside': {
      const seconds = purpose === 'transfer' ? returnSeconds : null;
      return {
        key: 'phones',
        word: purpose === 'add' ? word : 'To that number now',
        sentence:
          purpose === 'transfer'
            ? `${together}Outside, ${outlook.price} for as long as they talk. Not taken in ${returnSeconds} s, ${callers} ${comeBack} to you.`
            : `Outside, ${outlook.price}.`,
        bars: [{ label: 'Rings', fromSeconds: 0, toSeconds: seconds }],
        onPress: send,
      };
    }
    case 'rings': {
      const backSeconds = Math.min(returnSeconds, outlook.finishSeconds);
      const sentence =
        purpose === 'transfer'
          ? `${together}Rings ${backSeconds} s; not taken, ${callers} ${comeBack} to you.`
          : purpose === 'add'
            ? `Rings ${outlook.finishSeconds} s, while you talk on. Not taken, all stays as it is.`
            : `Rings ${outlook.finishSeconds} s, then ${outlook.finishWords}.`;
      const most = purpose === 'transfer' ? backSeconds : outlook.finishSeconds;
      const bars = outlook.bars
        .filter(({ fromSeconds }) => fromSeconds < most)
        .map((bar) => ({ ...bar, toSeconds: Math.min(bar.toSeconds, most) }));
      return { key: 'phones', word, sentence, bars, onPress: send };
    }
  }
}

function mailboxBand({ view, target, outlook }: Asked, { sendTo }: ForecastActs): Band {
  const { personId } = target;
  const fromSeconds = outlook.kind === 'rings' ? outlook.finishSeconds : 0;
  return {
    key: 'mailbox',
    word: 'Straight to the mailbox',
    sentence: `${nameOfCall(view)} hears the greeting of ${target.name} now, and can leave a message.`,
    bars: [{ label: 'Mailbox', fromSeconds, toSeconds: null }],
    ...(personId !== null && { onPress: () => sendTo({ kind: 'mailbox', personId }) }),
  };
}
