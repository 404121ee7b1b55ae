import { after, begunMeeting, meetingLimits, whyNot, type Actor, type MeetingAct } from '../meetings';
import { attendingOf, hostsOf } from './attending';
import type { Call, Leg } from './call';
import { clearCall } from './clearing';
import { refuse, type Outcome } from './commands';
import { mayChange } from './conferencing';
import { letIn } from './guests';
import type { Switchboard } from './Switchboard';
import { setMuted } from './talking';

/** The call becomes a meeting: nobody moves, and who is in it stays as they are. */
export function beginMeeting(board: Switchboard, leg: Leg): Outcome {
  const call = board.callOf(leg);
  if (call.meeting) return { ok: true };
  const may = mayChange(call, leg);
  if (!may.ok) return may;
  call.meeting = begunMeeting(leg.id, board.now);
  board.note(call, 'met', leg.personId);
  board.emit({ type: 'meetingChanged', at: board.now, callId: call.id });
  return { ok: true };
}

/** What somebody who is in a meeting does there. */
export function actInMeeting(board: Switchboard, leg: Leg, act: MeetingAct): Outcome {
  const call = board.callOf(leg);
  const { meeting } = call;
  if (!meeting) return refuse({ code: 'noMeeting' });
  // The room itself does nothing in it, nor does whoever still rings.
  if (!attendingOf(call).includes(leg)) return refuse({ code: 'notInCall' });
  const hosts = hostsOf(call);
  const actor: Actor = {
    legId: leg.id,
    isHost: hosts.includes(leg.id),
    canShow: canShow(board, call, leg),
    at: board.now,
    newId: () => `s${board.nextId++}`,
    mayHost: (legId) =>
      attendingOf(call).some(({ id, endpoint }) => id === legId && endpoint.kind === 'device'),
    isOutside: (legId) =>
      attendingOf(call).some(
        ({ id, endpoint }) => id === legId && endpoint.kind === 'outside' && endpoint.guestId === undefined,
      ),
  };
  const why = whyNot(meeting, act, actor);
  if (why === 'picturesFull') return refuse({ code: why, limit: meetingLimits.pictures });
  if (why) return refuse({ code: why });
  switch (act.act) {
    case 'end':
      clearCall(board, call, 'normalClearing', leg);
      return { ok: true };
    case 'letIn':
      return letIn(board, leg, act.guestId);
    case 'muteOthers':
      for (const other of attendingOf(call))
        if (other !== leg && other.state === 'connected' && !hosts.includes(other.id))
          setMuted(board, other, true);
      return { ok: true };
    default: {
      const changed = after(meeting, act, actor);
      if (changed === meeting) return { ok: true };
      call.meeting = changed;
      board.emit({ type: 'meetingChanged', at: board.now, callId: call.id });
      return { ok: true };
    }
  }
}

/** Whether a picture may come from that end, and be seen there: at a browser, or where one stands beside the phone. */
function canShow(board: Switchboard, call: Call, { id, endpoint }: Leg): boolean {
  if (endpoint.kind === 'outside' && endpoint.guestId !== undefined) return true;
  const kind = endpoint.kind === 'device' ? board.office.devices.get(endpoint.deviceId)?.kind : undefined;
  return kind === 'app' || (call.meeting?.besideLegIds.includes(id) ?? false);
}
