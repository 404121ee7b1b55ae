import type { Target } from '@/core/calls/exchange';
import { nameOfCall, type CallView, type Forecast } from '@/state/app';
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
  forecast: Forecast;
  /** After so long a call that was sent comes back. */
  returnSeconds: number;
  /** Why they can't be sent there at all; null where they can. */
  obstacle: string | null;
  /** What the device of the worker is called on the scale. */
  me: string;
}

/** The target's seconds as the places a call can be sent to, each with what will be true afterwards. */
export function bandsOf(asked: Asked, acts: ForecastActs): { bands: Band[]; totalSeconds: number } {
  const { view, purpose, target, forecast, obstacle } = asked;
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
  const ringing = forecast.kind === 'rings' ? forecast.finishSeconds : 0;
  const isSent = purpose === 'transfer' && !['menu', 'queue', 'nothingRings'].includes(forecast.kind);
  // Beyond the ringing there is room for what comes then.
  return { bands, totalSeconds: Math.max(ringing, isSent ? asked.returnSeconds : 0, 15) + 5 };
}

/** A mailbox takes one caller; who is only asked in is not sent there. */
const canReachMailbox = (view: CallView, purpose: Purpose, { personId }: TargetChoice) =>
  personId !== null && purpose !== 'add' && view.others.length === 1;

function firstBand({ view, purpose, target, forecast, me }: Asked, { talkFirst }: ForecastActs): Band {
  const callers = nameOfCall(view);
  const hear = view.others.length > 1 ? 'hear' : 'hears';
  return {
    key: 'first',
    word: purpose === 'add' ? 'Talk first, then all together' : 'Talk first',
    sentence:
      forecast.kind === 'nothingRings'
        ? `Nothing rings there now: you would reach ${forecast.finishWords}. ${callers} ${hear} music.`
        : forecast.kind === 'menu'
          ? `You hear the ${forecast.name}. ${callers} ${hear} music.`
          : forecast.kind === 'queue'
            ? `You wait for ${forecast.name} until one of them is free. ${callers} ${hear} music.`
            : `${target.name} is called for you. ${callers} ${hear} music until you bring them together.`,
    bars: [{ label: me, fromSeconds: 0, toSeconds: null }],
    onPress: talkFirst,
  };
}

function phonesBand({ view, purpose, target, forecast, returnSeconds }: Asked, acts: ForecastActs): Band {
  const callers = nameOfCall(view);
  const send = () => acts.sendTo({ kind: 'number', to: target.to });
  const word =
    purpose === 'add'
      ? 'Ask them in now'
      : forecast.kind === 'menu'
        ? 'To the menu now'
        : forecast.kind === 'queue'
          ? 'To the queue now'
          : 'To their phones now';
  const isSeveral = view.others.length > 1;
  const comeBack = isSeveral ? 'come back' : 'comes back';
  const together = isSeveral ? `The ${view.others.length} others stay together. ` : '';
  switch (forecast.kind) {
    case 'menu':
      return purpose === 'add' || isSeveral
        ? { key: 'phones', word, sentence: 'A menu speaks to one caller only.', bars: [] }
        : {
            key: 'phones',
            word,
            sentence: `${callers} hears the ${forecast.name} at once, and does not come back.`,
            bars: [{ label: forecast.name, fromSeconds: 0, toSeconds: null }],
            onPress: send,
          };
    case 'queue':
      return purpose === 'add' || isSeveral
        ? { key: 'phones', word, sentence: 'A queue takes one caller only.', bars: [] }
        : {
            key: 'phones',
            word,
            sentence: `${callers} waits with music until somebody of ${forecast.name} is free, and does not come back.`,
            bars: [{ label: forecast.name, fromSeconds: 0, toSeconds: null }],
            onPress: send,
          };
    case 'nothingRings':
      return {
        key: 'phones',
        word,
        sentence:
          purpose === 'transfer'
            ? 'Nothing rings there now: it would come back to you at once.'
            : `Nothing rings there now. At once: ${forecast.finishWords}.`,
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
            ? `${together}Outside, ${forecast.price} for as long as they talk. Not taken in ${returnSeconds} s, ${callers} ${comeBack} to you.`
            : `Outside, ${forecast.price}.`,
        bars: [{ label: 'Rings', fromSeconds: 0, toSeconds: seconds }],
        onPress: send,
      };
    }
    case 'theirs':
      return {
        key: 'phones',
        word,
        sentence:
          purpose === 'transfer'
            ? `${together}Goes by their own ring plan; not taken in ${returnSeconds} s, ${callers} ${comeBack} to you.`
            : 'Goes by their own ring plan.',
        bars: [
          { label: 'Their phones', fromSeconds: 0, toSeconds: purpose === 'transfer' ? returnSeconds : null },
        ],
        onPress: send,
      };
    case 'rings': {
      const backSeconds = Math.min(returnSeconds, forecast.finishSeconds);
      const sentence =
        purpose === 'transfer'
          ? `${together}Rings ${backSeconds} s; not taken, ${callers} ${comeBack} to you.`
          : purpose === 'add'
            ? `Rings ${forecast.finishSeconds} s, while you talk on. Not taken, all stays as it is.`
            : `Rings ${forecast.finishSeconds} s, then ${forecast.finishWords}.`;
      const most = purpose === 'transfer' ? backSeconds : forecast.finishSeconds;
      const bars = forecast.bars
        .filter(({ fromSeconds }) => fromSeconds < most)
        .map((bar) => ({ ...bar, toSeconds: Math.min(bar.toSeconds, most) }));
      return { key: 'phones', word, sentence, bars, onPress: send };
    }
  }
}

function mailboxBand({ view, target, forecast }: Asked, { sendTo }: ForecastActs): Band {
  const { personId } = target;
  const fromSeconds = forecast.kind === 'rings' ? forecast.finishSeconds : 0;
  return {
    key: 'mailbox',
    word: 'Straight to the mailbox',
    sentence: `${nameOfCall(view)} hears the greeting of ${target.name} now, and can leave a message.`,
    bars: [{ label: 'Mailbox', fromSeconds, toSeconds: null }],
    ...(personId !== null && { onPress: () => sendTo({ kind: 'mailbox', personId }) }),
  };
}
