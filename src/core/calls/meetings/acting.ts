import { linkGiven, linkEnded, withoutBeside, withoutWaiting } from './links';
import { meetingLimits, type Meeting, type MeetingAct, type MeetingDenial } from './meeting';

/** What is known of the end at which somebody acts. */
export interface Actor {
  legId: string;
  isHost: boolean;
  /** They are at a browser, or have one beside their phone. */
  canShow: boolean;
  /** Epoch milliseconds. */
  at: number;
  /** For what is shown from now on. */
  newId: () => string;
  /** Whether somebody of the office is in the meeting at that end. */
  mayHost: (legId: string) => boolean;
  /** Whether somebody is in the meeting there by a phone outside. */
  isOutside: (legId: string) => boolean;
}

/** What changes only the meeting; who is heard, and whether the call goes on, is for the call. */
export type OwnAct = Exclude<MeetingAct, { act: 'muteOthers' | 'end' | 'letIn' }>;

const hostActs: readonly MeetingAct['act'][] = [
  ...(['setLock', 'makeHost', 'muteOthers', 'end'] as const),
  ...(['letIn', 'turnAway'] as const),
];

/** Why this end may not do that; null where it may. */
export function whyNot(
  meeting: Meeting,
  act: MeetingAct,
  { legId, isHost, canShow, mayHost, isOutside }: Actor,
): MeetingDenial | null {
  if (hostActs.includes(act.act) && !isHost) return 'hostOnly';
  switch (act.act) {
    case 'show': {
      const isShown = meeting.pictures.some((each) => each.legId === legId && each.kind === act.kind);
      if (!canShow) return 'soundOnly';
      return !isShown && meeting.pictures.length >= meetingLimits.pictures ? 'picturesFull' : null;
    }
    case 'stopShowing': {
      const picture = meeting.pictures.find(({ id }) => id === act.pictureId);
      if (!picture) return 'unknownPicture';
      return picture.legId === legId || isHost ? null : 'hostOnly';
    }
    case 'lowerHand':
      return act.otherLegId === legId || isHost ? null : 'hostOnly';
    case 'makeHost':
      return mayHost(act.otherLegId) ? null : 'notInCall';
    case 'giveLink':
      if (!mayHost(legId)) return 'onlyDevice';
      return act.forLegId === null || isOutside(act.forLegId) ? null : 'onlyOutside';
    case 'endLink':
      return mayHost(legId) ? null : 'onlyDevice';
    case 'letIn':
    case 'turnAway':
      return meeting.waiting.some(({ guestId }) => guestId === act.guestId) ? null : 'nobodyWaits';
    default:
      return null;
  }
}

/** The meeting after somebody has done something that they may; the very same where nothing has changed. */
export function after(meeting: Meeting, act: OwnAct, { legId, at, newId }: Actor): Meeting {
  const { pictures, hands, hostLegIds, besideLegIds } = meeting;
  switch (act.act) {
    case 'show': {
      const { kind } = act;
      if (pictures.some((each) => each.legId === legId && each.kind === kind)) return meeting;
      return {
        ...meeting,
        pictures: [...pictures, { id: newId(), legId, kind, at }],
      };
    }
    case 'stopShowing':
      return { ...meeting, pictures: pictures.filter(({ id }) => id !== act.pictureId) };
    case 'openBeside':
      return besideLegIds.includes(legId) ? meeting : { ...meeting, besideLegIds: [...besideLegIds, legId] };
    case 'closeBeside':
      return withoutBeside(meeting, legId);
    case 'giveLink':
      return linkGiven(meeting, { ...act, until: at + meetingLimits.linkMs });
    case 'endLink':
      return linkEnded(meeting, act.token);
    case 'turnAway':
      return withoutWaiting(meeting, act.guestId);
    case 'raiseHand':
      return hands.some((each) => each.legId === legId)
        ? meeting
        : { ...meeting, hands: [...hands, { legId, at }] };
    case 'lowerHand': {
      const left = hands.filter((each) => each.legId !== act.otherLegId);
      return left.length === hands.length ? meeting : { ...meeting, hands: left };
    }
    case 'react': {
      const shown = meeting.reactions.filter(
        (each) => each.legId !== legId && at - each.at < meetingLimits.reactionMs,
      );
      return { ...meeting, reactions: [...shown, { legId, at, reaction: act.reaction }] };
    }
    case 'setLock':
      return act.isLocked === meeting.isLocked ? meeting : { ...meeting, isLocked: act.isLocked };
    case 'makeHost':
      // Whoever makes another host goes on being one, also where nobody had made them one.
      return hostLegIds.includes(act.otherLegId)
        ? meeting
        : { ...meeting, hostLegIds: [...new Set([...hostLegIds, legId, act.otherLegId])] };
  }
}
