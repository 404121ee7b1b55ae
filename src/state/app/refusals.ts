import type { Refusal } from '@/core/exchange';
import type { InvalidReason } from '@/core/numbering';

/** Why something can't be dialled, as a sentence for the worker. */
export function explainNotDialable(reason: InvalidReason | { code: 'empty' | 'withheld' }): string {
  switch (reason.code) {
    case 'empty':
      return 'Type a number, an extension or a name first.';
    case 'withheld':
      return 'This caller withheld their number, so it can’t be called back.';
    case 'letters':
      return 'Nobody of that name has a number here.';
    case 'character':
      return `“${reason.character}” can’t be part of a number.`;
    case 'tooShort':
      return 'That number is too short to dial.';
    case 'tooLong':
      return 'That number is too long: no number there has so many digits.';
    case 'unknownCountry':
      return 'No country has that calling code.';
    case 'noCountryNumber':
      return 'That isn’t a number of the country it begins with.';
    case 'badPostDial':
      return 'After a pause only digits, * and # can be sent.';
    case 'badUri':
      return `That link can’t be dialled: ${reason.detail}.`;
  }
}

/** Why an act was refused, as a sentence for the worker. */
export function explainRefusal(reason: Refusal): string {
  switch (reason.code) {
    case 'unknownLeg':
      return 'That call has just ended.';
    case 'unknownDevice':
      return 'The office doesn’t know this device.';
    case 'unknownLine':
      return 'That line is no longer yours to show.';
    case 'notSignedIn':
      return 'This device is not signed in to the office.';
    case 'notAllowed':
      return reason.state === 'held'
        ? 'That call is held: go back to it first.'
        : 'The call has moved on, so that can’t be done now.';
    case 'notDialable':
      return explainNotDialable(reason.reason);
    case 'tooManyCalls':
      return `This device can hold ${reason.limit} calls at once. End one first.`;
    case 'badDigits':
      return 'Only digits, * and # can be sent.';
    case 'onlyOutside':
      return 'Only the network can do that.';
  }
}
