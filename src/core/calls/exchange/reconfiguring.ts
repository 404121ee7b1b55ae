import { OfficeIndex, type OfficeSetup } from '@/core/setup';
import { forgetAgents } from './agents';
import { isLive, type Call } from './call';
import { clearCall, failCall, goesOnWithout } from './clearing';
import { isMailboxThere } from './mailbox';
import { setSignedIn } from './registration';
import type { Switchboard } from './Switchboard';

/**
 * The office is another one from now on. Whoever talks talks on, at a phone that is gone as well, until they hang up; nothing rings there
 * any more. A call that rings goes on by the plan it began with, as far as its phones are there. Who leaves a message for somebody who is
 * gone hears that they are not there, and nobody is called back by them.
 */
export function reconfigure(board: Switchboard, setup: OfficeSetup): void {
  const office = new OfficeIndex(setup);
  const before = board.office;
  const goneDevices = before.setup.devices.filter(({ id }) => !office.devices.has(id));
  for (const { id } of goneDevices) {
    setSignedIn(board, id, false);
    board.withoutWaiting.delete(id);
  }
  board.office = office;
  board.touchAll();
  board.emit({ type: 'configured', at: board.now });
  for (const { id } of goneDevices)
    for (const leg of [...(board.deviceLegs.get(id) ?? [])])
      if (leg.state === 'queued') clearCall(board, board.callOf(leg), 'normalClearing', leg);
  for (const call of [...board.waiting])
    if (before.people.has(call.waitsFor ?? '') && !office.people.has(call.waitsFor ?? ''))
      clearCall(board, call, 'unallocatedNumber');
  forgetAgents(board);
  for (const call of [...board.calls.values()]) leaveWhoIsGone(board, call);
}

function leaveWhoIsGone(board: Switchboard, call: Call): void {
  const gone = call.legs.find(
    (leg) =>
      isLive(leg) &&
      (leg.endpoint.kind === 'mailbox' || leg.endpoint.kind === 'teamMailbox') &&
      !isMailboxThere(board.office, leg.endpoint),
  );
  if (!gone) return;
  board.clearLeg(gone, 'unallocatedNumber');
  if (!goesOnWithout(call, null)) failCall(board, call, 'unallocatedNumber');
}
