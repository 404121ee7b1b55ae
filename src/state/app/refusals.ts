import type { Refusal } from '@/core/calls/exchange';
import type { Denied, OfficeRefusal } from '@/core/office';
import type { OfficeIndex } from '@/core/setup';
import { formatClockWithSeconds } from '@/core/shared/time';
import type { InvalidReason } from '@/core/numbers/numbering';

/** Why something can't be dialled, as a sentence for the worker. */
export function explainNotDialable(reason: InvalidReason | { code: 'empty' | 'withheld' }): string {
  switch (reason.code) {
    case 'empty':
      return 'Type a number, an extension or a name first.';
    case 'withheld':
      return 'This caller withheld their number, so it can’t be called back.';
    case 'letters':
      return 'Nobody by that name has a number here.';
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

const notYours: Record<Extract<Refusal, { code: 'notYours' }>['what'], string> = {
  device: 'That phone is somebody else’s.',
  call: 'That is somebody else’s call.',
  plan: 'Only they can change their ring plan.',
  person: 'Only they can say that of themselves.',
  office: 'Only whoever runs the office can change that.',
  outside: 'Only they can call from there.',
  network: 'Only the network can say so.',
};

/** Why an act was refused, as a sentence for the worker. */
export function explainRefusal(reason: Refusal): string {
  switch (reason.code) {
    case 'notReached':
      return 'The office is not reached now. Call by your phone’s own network, or try again.';
    case 'unknownLeg':
      return 'That call has just ended.';
    case 'unknownDevice':
      return 'The office doesn’t know this device.';
    case 'badPlan':
      return `The plan stays as it was: ${reason.problems[0]?.sentence ?? 'it can’t be carried out.'}`;
    case 'unknownLine':
      return 'That line is no longer yours to show.';
    case 'notSignedIn':
      return 'This device is not signed in to the office.';
    case 'notAllowed':
      if (reason.state === 'held') return 'That call is held: go back to it first.';
      return reason.state === 'alerting' || reason.state === 'initiated'
        ? 'Nobody has answered yet, so that can’t be done now.'
        : 'The call has moved on, so that can’t be done now.';
    case 'notDialable':
      return explainNotDialable(reason.reason);
    case 'tooManyCalls':
      return `This device can hold ${reason.limit} calls at once. End one first.`;
    case 'badDigits':
      return 'Only digits, * and # can be sent.';
    case 'onlyOutside':
      return 'Only the network can do that.';
    case 'onlyDevice':
      return 'Only an office phone can do that.';
    case 'unknownPerson':
      return 'Nobody in the office goes by that.';
    case 'barred':
      return `The office doesn’t let ${reason.why} be called.`;
    case 'hostOnly':
      return 'Only a host can do that: who began the meeting, or came in by the host PIN.';
    case 'keptLine':
      return 'That line’s number is shown only by whose it is, and by those they let.';
    case 'emergency':
      return 'An emergency call stays as it is: it is not held, moved, joined or recorded.';
    case 'emergencyTarget':
      return 'Nobody can be sent to an emergency number: call it yourself, and say where help is needed.';
    case 'notHandedOver':
      return 'You have not handed that call over, so it can’t be taken back.';
    case 'tooLate':
      return 'They are talking already, so it is too late to take that back.';
    case 'targetIsSelf':
      return 'That is you. Choose somebody else.';
    case 'targetInCall':
      return 'They are in this call already.';
    case 'unknownTarget':
      return 'A call can’t be sent there: nobody has that number.';
    case 'notAnswered':
      return 'Nobody has answered yet, so that can’t be done now.';
    case 'stillRinging':
      return 'Somebody is still being called. Wait for them, or stop calling them first.';
    case 'sameCall':
      return 'You are in that call already.';
    case 'notInCall':
      return 'They are no longer in this call.';
    case 'notOnePerson':
      return 'That works with one other person only. Remove the others first, or send them on together.';
    case 'tooFew':
      return 'A private word needs a third person who doesn’t hear it.';
    case 'conferenceFull':
      return `A call holds ${reason.limit} people, and this one is full.`;
    case 'privateWordGoesOn':
      return 'Two are having a private word. Bring them back first.';
    case 'noMeeting':
      return 'This call is no meeting.';
    case 'meetingLocked':
      return 'The meeting is locked: a host has to let people in again first.';
    // Of guests, who read it in their page's own words.
    case 'unknownLink':
    case 'linkTooOld':
    case 'waitingFull':
      return 'That link lets nobody in now.';
    case 'soundOnly':
      return 'At a plain phone nothing can be shown.';
    case 'picturesFull':
      return `${reason.limit} pictures are shown already. Somebody has to stop showing theirs first.`;
    case 'unknownPicture':
      return 'That is not shown any more.';
    case 'parkFull':
      return `All ${reason.slots} park slots are taken. Hold the call, or take one back first.`;
    case 'emptySlot':
      return 'Nobody is parked there.';
    case 'unknownCode':
      return 'No call and no room has that code.';
    case 'notForYou':
      return 'That invitation is for somebody else.';
    case 'nothingRings':
      return 'Nothing rings there any more.';
    case 'notInTeam':
      return 'That is for members of the team who are signed in to it.';
    case 'nobodyWaits':
      return 'They wait no longer.';
    case 'notTheirDevice':
      return 'The call can only go to another phone of yours.';
    case 'recordingPolicy':
      return reason.policy === 'always'
        ? 'The office records every call, so that can’t be changed here.'
        : 'The office doesn’t record calls.';
    case 'notRecording':
      return 'Nothing is being recorded.';
    case 'notYours':
      return notYours[reason.what];
    case 'notBusy':
      return 'They aren’t busy, so there is nothing to wait for.';
  }
}

const notYoursInInbox: Record<Extract<OfficeRefusal, { code: 'notYours' }>['what'], string> = {
  device: 'That device is somebody else’s.',
  line: 'That line’s texts and faxes are somebody else’s.',
  message: 'Only whoever wrote it can do that.',
  fax: 'Only whoever sends it can do that.',
  mailbox: 'That mailbox is somebody else’s.',
  team: 'Only those of the team can take it on.',
  assignment: 'Only whoever has taken it on can let go of it.',
  room: 'Only those in the room can do that.',
  office: 'Only whoever runs the office can change that.',
  belongings: 'Only members of the office can keep something here.',
};

/** Why somebody is not let in. `isAtDoor`: where they say who they are, too. */
export function explainDenied(why: Denied, zone: string, isAtDoor = false): string {
  switch (why.code) {
    case 'signIn':
      return 'Sign in to go on.';
    case 'signedOut':
      return 'This device was signed out. Sign in again to go on.';
    case 'wrongPin': {
      const wrong = isAtDoor ? 'Extension and PIN don’t fit.' : 'That is not the PIN.';
      return why.left === 1 ? `${wrong} After one more there is a pause.` : wrong;
    }
    case 'paused':
      return `Too many wrong PINs. The next one is looked at from ${formatClockWithSeconds(why.until, zone)} on.`;
    case 'noPin':
      return 'There is no PIN yet. Whoever runs the office gives one.';
    case 'unknownCode':
      return 'That link is not of this office, or a newer one was made since.';
    case 'usedCode':
      return 'That link has been used: each lets one device in. Ask for a new one.';
    case 'oldCode':
      return 'That link is too old. Ask for a new one.';
  }
}

/** Why nothing was written, taken back or opened, as a sentence for the worker. */
export function explainInboxRefusal(reason: OfficeRefusal, office: OfficeIndex): string {
  switch (reason.code) {
    case 'notYours':
      return notYoursInInbox[reason.what];
    case 'unknownMessage':
      return 'That message is not there any more.';
    case 'unknownRoom':
      return 'That room is not there any more.';
    case 'idTaken':
    case 'notReadable':
      return 'It could not be kept. Try once more.';
    case 'roomEnded':
      return 'That room has ended, so nothing more can be written in it.';
    case 'notInRoom':
      return 'Come into the room first.';
    case 'alreadySent':
      return 'It has gone out already.';
    case 'cannotText':
      return reason.failure === 'optedOut' ? 'They asked for no more texts.' : 'That number takes no texts.';
    case 'nothingToChange':
      return 'It is so already.';
    case 'unknownEntry':
      return 'That change is not in the log any more.';
    case 'changedMeanwhile':
      return 'Somebody else has changed the same meanwhile. What they made of it is shown now.';
    case 'rowNotReadable':
      return `It can’t be so: ${reason.words}`;
    case 'badOffice':
      return reason.problems[0]?.sentence ?? 'The office could not be run so.';
    case 'yourself':
      return 'You can’t retire yourself: you would be out of the office at once. Somebody else who runs it can.';
    case 'takenBy':
      return `${office.ever.people.get(reason.byId)?.name ?? 'A colleague'} was quicker and has taken it on.`;
    case 'unknownVoicemail':
      return 'That voicemail is not there any more.';
    case 'unknownPerson':
      return 'They are not in this office any more.';
    case 'unknownFax':
      return 'That fax is not there any more.';
    case 'underway':
      return 'It is on its way, or there already: it can’t be taken back.';
    case 'notUnderway':
      return 'It is not on its way any more.';
    case 'unknownDevice':
      return 'That device is signed out already.';
    case 'weakPin':
    case 'badAddress':
      return reason.sentence;
    case 'unknownPhone':
      return 'That phone is not in the office any more.';
    case 'signIn':
    case 'signedOut':
    case 'wrongPin':
    case 'paused':
    case 'noPin':
    case 'unknownCode':
    case 'usedCode':
    case 'oldCode':
      return explainDenied(reason, office.setup.zone);
    case 'cannotFax':
    case 'badRoomName':
      return reason.problem;
  }
}
