import { menuTurnSeconds, traceMenu } from '@/core/plans/routing';
import { callerOf, type Call, type Leg } from './call';
import { connectTo } from './connecting';
import { barredReason, destinationOf, readDialled } from './destination';
import { finishCall } from './finishing';
import { setTrace, type Bringing } from './ringing';
import type { Switchboard } from './Switchboard';

/** A menu takes the call and speaks for the first time. */
export function enterMenu(
  board: Switchboard,
  call: Call,
  menuId: string,
  lineId: string | null,
  by: Bringing,
): void {
  const trace = traceMenu(board.office, { ownerId: menuId, lineId, caller: null });
  setTrace(board, call, trace, by);
  const leg = board.addLeg(call, {
    endpoint: { kind: 'menu', menuId },
    role: 'called',
    state: 'connected',
    broughtFor: 'call',
    broughtById: null,
  });
  leg.answeredAt = board.now;
  // Whoever was handed over has arrived: they hear the menu, so they do not come back.
  call.comesBackTo = null;
  // The talk that others were asked into is over.
  board.endInvitation(call);
  board.emitLeg('established', leg);
  speak(board, leg, menuId, 1);
}

function speak(board: Switchboard, leg: Leg, menuId: string, turn: number): void {
  const menu = board.office.menus.get(menuId);
  const call = board.callOf(leg);
  leg.menuTurn = turn;
  board.stopTimers(call, ({ what }) => what.kind === 'menuEnd');
  board.emitLeg('menuSpoke', leg);
  const seconds = menu ? menuTurnSeconds(menu) : 0;
  board.startTimer(call, board.now + seconds * 1000, { kind: 'menuEnd', legId: leg.id });
}

/** Nothing was pressed, or nothing that leads anywhere: it speaks again, and at last the call meets the menu's finish. */
export function nextMenuTurn(board: Switchboard, leg: Leg): void {
  if (leg.endpoint.kind !== 'menu') return;
  const { menuId } = leg.endpoint;
  const menu = board.office.menus.get(menuId);
  const turn = (leg.menuTurn ?? 1) + 1;
  if (menu && turn <= menu.turns) {
    speak(board, leg, menuId, turn);
    return;
  }
  const call = board.callOf(leg);
  board.clearLeg(leg, 'normalClearing');
  finishCall(board, call, menu?.finish ?? { kind: 'busy' }, menu?.keeperId ?? null);
}

/** Somebody in the call pressed a key while a menu speaks or waits. Whether there is a menu that heard it. */
export function pressInMenu(board: Switchboard, presser: Leg, digits: string): boolean {
  const call = board.callOf(presser);
  const leg = call.legs.find(({ endpoint, state }) => endpoint.kind === 'menu' && state === 'connected');
  if (!leg || leg === presser || leg.endpoint.kind !== 'menu') return false;
  const menu = board.office.menus.get(leg.endpoint.menuId);
  const key = digits.charAt(0);
  const to = menu?.keys.find((each) => each.key === key)?.to;
  const read = readDialled(to ?? '');
  const destination = read.ok ? destinationOf(board.office, read.dialled) : null;
  const isBarred =
    destination !== null &&
    barredReason(board.office, destination, { personId: null, at: board.now }) !== null;
  if (!menu || !destination || destination.kind === 'service' || destination.kind === 'unknown' || isBarred) {
    nextMenuTurn(board, leg);
    return true;
  }
  board.note(call, 'chose', null, key);
  board.clearLeg(leg, 'normalClearing');
  board.emit({ type: 'diverted', at: board.now, callId: call.id, to: destination.number });
  connectTo(board, call, destination, callerOf(call).endpoint, {
    broughtFor: 'call',
    broughtById: menu.keeperId,
  });
  return true;
}
