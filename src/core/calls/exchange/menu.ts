import { menuTurnSeconds, traceMenu } from '@/core/plans/routing';
import { extensionsFrom, spelledBy } from '@/core/setup';
import { callerOf, type Call, type Leg, type MenuEntry } from './call';
import { connectTo } from './connecting';
import { barredReason, destinationOf, readDialled, type Destination } from './destination';
import { finishCall } from './finishing';
import { limits } from './limits';
import { answerByMachine } from './machineLeg';
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
  const trace = traceMenu(board.office, { ownerId: menuId, lineId }, board.now);
  setTrace(board, call, trace, by);
  // Whoever was handed over has arrived: they hear the menu, so they do not come back.
  call.comesBackTo = null;
  // The talk that others were asked into is over.
  board.endInvitation(call);
  speak(board, answerByMachine(board, call, { kind: 'menu', menuId }), menuId, 1);
}

function speak(board: Switchboard, leg: Leg, menuId: string, turn: number): void {
  const menu = board.office.menus.get(menuId);
  const call = board.callOf(leg);
  leg.menuTurn = turn;
  board.stopTimers(call, ({ what }) => what.kind === 'menuEnd');
  board.emitLeg('menuSpoke', leg);
  const seconds = menu ? menuTurnSeconds(menu, board.now, board.office.setup.zone, call.language) : 0;
  board.startTimer(call, board.now + seconds * 1000, { kind: 'menuEnd', legId: leg.id });
}

/** Nothing was pressed, or nothing that leads anywhere: it speaks again, and at last the call meets the menu's finish. */
export function nextMenuTurn(board: Switchboard, leg: Leg): void {
  if (leg.endpoint.kind !== 'menu') return;
  leg.menuEntry = null;
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

/** Somebody in the call pressed keys while a menu speaks or waits. Whether there is a menu that heard them. */
export function pressInMenu(board: Switchboard, presser: Leg, digits: string): boolean {
  const menuLeg = () =>
    board
      .callOf(presser)
      .legs.find(({ endpoint, state }) => endpoint.kind === 'menu' && state === 'connected');
  const leg = menuLeg();
  if (!leg || leg === presser || leg.endpoint.kind !== 'menu') return false;
  // What comes after the key that led on is nobody's any more.
  for (const key of digits) {
    if (menuLeg() !== leg) break;
    pressOne(board, leg, key);
  }
  return true;
}

function pressOne(board: Switchboard, leg: Leg, key: string): void {
  const menu = menuOf(board, leg);
  const { office } = board;
  if (leg.menuEntry) return addToEntry(board, leg, key);
  const spoken = menu?.languages?.find((each) => each.key === key);
  if (menu && spoken) {
    board.callOf(leg).language = spoken.language;
    return speak(board, leg, menu.id, 1);
  }
  if (menu?.nameKey === key) return beginEntry(board, leg, { asks: 'name', digits: '', choices: [] });
  if (menu?.dialsExtensions && extensionsFrom(office, key).length > 0) {
    beginEntry(board, leg, { asks: 'extension', digits: '', choices: [] });
    return addToEntry(board, leg, key);
  }
  chooseKey(board, leg, key);
}

/** By the key, or what is dialled: there; where it leads nowhere, the menu speaks again. */
function chooseKey(board: Switchboard, leg: Leg, key: string): void {
  const menu = menuOf(board, leg);
  const to = menu?.keys.find((each) => each.key === key)?.to;
  const read = readDialled(board.office, to ?? '');
  const destination = read.ok ? destinationOf(board.office, read.dialled) : null;
  if (
    !destination ||
    destination.kind === 'service' ||
    destination.kind === 'unknown' ||
    barredReason(board.office, destination, { personId: null, at: board.now }) !== null
  )
    return nextMenuTurn(board, leg);
  leadOn(board, leg, key, destination);
}

function leadOn(
  board: Switchboard,
  leg: Leg,
  pressed: string,
  destination: Exclude<Destination, { kind: 'service' }>,
): void {
  const call = board.callOf(leg);
  const broughtById = menuOf(board, leg)?.keeperId ?? null;
  board.note(call, 'chose', null, pressed);
  board.clearLeg(leg, 'normalClearing');
  board.emit({ type: 'diverted', at: board.now, callId: call.id, to: destination.number });
  connectTo(board, call, destination, callerOf(call).endpoint, { broughtFor: 'call', broughtById });
}

/** Something is dialled beside the keys: the menu hears it out, however long it takes. */
function beginEntry(board: Switchboard, leg: Leg, entry: MenuEntry): void {
  leg.menuEntry = entry;
  board.stopTimers(board.callOf(leg), ({ what }) => what.kind === 'menuEnd');
  if (entry.asks !== 'extension') board.emitLeg('menuSpoke', leg);
  waitForMore(board, leg, entry.asks === 'extension' ? limits.menuDigitMs : limits.menuNameMs);
}

function waitForMore(board: Switchboard, leg: Leg, ms: number): void {
  const call = board.callOf(leg);
  board.stopTimers(call, ({ what }) => what.kind === 'menuDigits');
  board.startTimer(call, board.now + ms, { kind: 'menuDigits', legId: leg.id });
}

function addToEntry(board: Switchboard, leg: Leg, key: string): void {
  const { menuEntry: entry } = leg;
  if (!entry) return;
  if (entry.asks === 'choice') return chooseAmong(board, leg, key);
  if (key === '#') return settleEntry(board, leg);
  entry.digits += key;
  if (isWhole(board, entry)) settleEntry(board, leg);
  else waitForMore(board, leg, limits.menuDigitMs);
}

/** Nothing that could be meant is longer. What fits nobody is waited out, so that the rest of it is not taken for keys. */
function isWhole({ office }: Switchboard, { asks, digits }: MenuEntry): boolean {
  if (asks === 'name') return digits.length >= fewestLetters && spelledBy(office, digits).length === 1;
  const longest = Math.max(...extensionsFrom(office, '').map(({ length }) => length));
  const [only, ...others] = extensionsFrom(office, digits);
  return (only === digits && others.length === 0) || digits.length >= longest;
}

/** What was dialled is taken as it is: an extension, a key that was pressed alone, or the name it spells. */
export function settleEntry(board: Switchboard, leg: Leg): void {
  const { menuEntry: entry } = leg;
  if (!entry) return;
  const { office } = board;
  endEntry(board, leg);
  if (entry.asks === 'choice') return nextMenuTurn(board, leg);
  if (entry.asks === 'extension') {
    if (extensionsFrom(office, entry.digits).includes(entry.digits)) return dial(board, leg, entry.digits);
    if (entry.digits.length === 1) return chooseKey(board, leg, entry.digits);
    return nextMenuTurn(board, leg);
  }
  const choices = entry.digits === '' ? [] : spelledBy(office, entry.digits);
  const [only] = choices;
  if (only === undefined || choices.length > mostChoices) return nextMenuTurn(board, leg);
  if (choices.length === 1) return dial(board, leg, only);
  beginEntry(board, leg, { asks: 'choice', digits: '', choices });
}

/** Fewer may still be meant to go on. */
const fewestLetters = 3;
/** One digit says which: no more can be offered. */
const mostChoices = 9;

function chooseAmong(board: Switchboard, leg: Leg, key: string): void {
  const chosen = leg.menuEntry?.choices[Number(key) - 1];
  endEntry(board, leg);
  if (chosen === undefined) nextMenuTurn(board, leg);
  else dial(board, leg, chosen);
}

function dial(board: Switchboard, leg: Leg, extension: string): void {
  const read = readDialled(board.office, extension);
  const destination = read.ok ? destinationOf(board.office, read.dialled) : null;
  if (!destination || destination.kind === 'service') nextMenuTurn(board, leg);
  else leadOn(board, leg, extension, destination);
}

function endEntry(board: Switchboard, leg: Leg): void {
  leg.menuEntry = null;
  board.stopTimers(board.callOf(leg), ({ what }) => what.kind === 'menuDigits');
}

const menuOf = ({ office }: Switchboard, { endpoint }: Leg) =>
  endpoint.kind === 'menu' ? office.menus.get(endpoint.menuId) : undefined;
