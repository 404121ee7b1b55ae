import { createSelector } from '@reduxjs/toolkit';

import { interpretDialled, isExternal } from '@/core/numbers/numbering';
import type { DeviceKind, OfficeIndex } from '@/core/setup';
import { qualityOver, recommendWay, type TravelAnswer, type Way } from '@/core/calls/quality';
import { shownNumber, type ShownAnswer } from '@/core/calls/callerId';
import { describeRate, rateFor, type Rate } from '@/core/numbers/rates';

import { isOutsidePlayed } from '../offices';
import { selectCallerChoices } from './habits';
import { selectOffice, selectPeople } from './selectors';
import type { RootState } from './store';
import { selectMyDeviceId, selectMyId } from './session';

/** How a call from here would sound: as it was tried last, else what the network promises. */
export const selectQuality = createSelector(
  ({ office: { tested, network } }: RootState) => tested ?? network,
  (network) => qualityOver(network),
);

const mine = selectMyId;

const selectMyPhones = createSelector(selectOffice, mine, (office, myId) => {
  const ofKind = (kind: DeviceKind) => office.devicesOf(myId).find((device) => device.kind === kind) ?? null;
  return { mobile: ofKind('mobile'), desk: ofKind('desk') };
});

export interface Travel extends TravelAnswer {
  /** The device the call starts from; null: this one. */
  fromDeviceId: string | null;
  /** "0.9 p/min", or "free" inside the office; null where nothing can be dialled yet. */
  price: string | null;
  isPremium: boolean;
  /** Which number the other side sees, and who decided it. */
  shown: ShownAnswer;
  /** Whose number it is, by their key; null: nobody's that is known. */
  personKey: string | null;
  /** The kind of number it is: "UK mobile" with the prefix it goes by; null inside the office. */
  rate: Pick<Rate, 'name' | 'prefix'> | null;
  /** The worker wants to be asked before such a call whether a number is shown. */
  asksShown: boolean;
}

/** Which way a call to what is typed would travel, why, and what it costs. */
export function selectTravel(state: RootState, to: string, isDialled = false): Travel {
  const office = selectOffice(state);
  const { mobile, desk } = selectMyPhones(state);
  const dialled = interpretDialled(to, office.plan);
  const answer = recommendWay({
    dataMos: state.office.isOnline ? selectQuality(state).mos : null,
    isTried: state.office.tested !== null || isOutsidePlayed(),
    isEmergency: dialled.kind === 'emergency',
    mobileRate: rateFor(office.setup.rates, mobileNumberPrefix),
    hasMobile: mobile !== null,
    hasDesk: desk !== null,
    chosen: state.settings.way,
  });
  const number = isExternal(dialled) ? dialled.e164 : dialled.kind === 'emergency' ? dialled.number : null;
  const rate = number === null ? null : rateFor(office.setup.rates, number);
  const isInside = dialled.kind === 'extension' || (number !== null && office.linesByNumber.has(number));
  const known = selectPeople(state).whoHas(isExternal(dialled) ? dialled.e164 : null);
  const choices = selectCallerChoices(state);
  const personKey = known === null ? null : `contact:${known.id}`;
  const dialledWith = isExternal(dialled) ? dialled.withhold : undefined;
  const shown = shownNumber({
    number,
    personKey,
    isEmergency: dialled.kind === 'emergency',
    chosenOnce: isDialled ? state.dial.shownOnce : null,
    dialledWith,
    choices,
    setup: office.setup,
    personId: mine(state),
    usualLineId: office.people.get(mine(state))?.presentedLineId ?? '',
  });
  return {
    ...answer,
    personKey,
    shown,
    asksShown:
      choices.asks &&
      number !== null &&
      !isInside &&
      dialledWith === undefined &&
      (office.setup.policies.mayWithhold ?? true) &&
      (shown.by === 'choice' || shown.by === 'usual'),
    rate: isInside || !rate ? null : { name: rate.name, prefix: rate.prefix },
    fromDeviceId: deviceOf(answer.way, { mobile, desk }),
    price: isInside ? 'free' : number === null ? null : describeRate(rate, office.setup.rates.currency),
    isPremium: rate?.isPremium ?? false,
  };
}

/** What a call to a number costs, as it is said: "2.1 p/min", "free". */
export function priceOf(number: string, { setup, linesByNumber }: OfficeIndex): string {
  if (!number.startsWith('+') || linesByNumber.has(number)) return 'free';
  return describeRate(rateFor(setup.rates, number), setup.rates.currency);
}

/** The office calls the worker's own mobile at the rate of any UK mobile. */
const mobileNumberPrefix = '+447';

function deviceOf(way: Way, phones: ReturnType<typeof selectMyPhones>): string | null {
  switch (way) {
    case 'data':
      return null;
    case 'mobileFirst':
      return phones.mobile?.id ?? null;
    case 'deskFirst':
      return phones.desk?.id ?? null;
  }
}

/** The worker's own phones besides this device, to which a call may move. */
export const selectMyOtherDevices = createSelector(
  selectOffice,
  mine,
  selectMyDeviceId,
  (office, myId, deviceId) => office.devicesOf(myId).filter(({ id }) => id !== deviceId),
);
