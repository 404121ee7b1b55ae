import type { OfficeSetup } from '@/core/setup';
import type { Command } from '../commands';
import type { ExchangeEvent } from '../events';
import { whatIsHeard } from '../audioPaths';
import { customer, openOffice, testSetup } from './testOffice';

/** For the tests: drives the test office and tells what happens as lines such as "held ada-app". */
export function openStory(setup: OfficeSetup = testSetup) {
  const office = openOffice(setup);
  const places = new Map<string, string>();

  function learnPlaces(): void {
    for (const call of office.exchange.calls.values()) {
      for (const { id, endpoint } of call.legs) {
        places.set(
          id,
          endpoint.kind === 'device'
            ? endpoint.deviceId
            : endpoint.kind !== 'outside'
              ? endpoint.kind === 'mailbox'
                ? `${endpoint.personId}-mailbox`
                : endpoint.kind
              : endpoint.number === customer.number
                ? 'customer'
                : (endpoint.number ?? 'withheld'),
        );
      }
    }
  }

  const place = (legId: string) => places.get(legId) ?? legId;
  const tell = (events: readonly ExchangeEvent[]): string[] => {
    learnPlaces();
    return events.flatMap((event) => {
      switch (event.type) {
        case 'routed':
          return [];
        case 'recordWritten':
          return [`record ${event.record.personId} ${event.record.outcome}`];
        case 'diverted':
        case 'transferred':
          return [`${event.type} to ${event.to}`];
        case 'passedOver':
        case 'agentStateSet':
          return [`${event.type} ${event.personId}`];
        case 'parked':
          return [`parked at ${event.slot}`];
        case 'returned':
          return [`returned to ${event.toId}`];
        case 'moved':
          return [`moved ${place(event.fromLegId)} to ${place(event.legId)}`];
        case 'recordingChanged':
          return [`recording ${event.recording.state}`];
        case 'invited':
          return ['invited'];
        case 'connectionCleared':
        case 'failed':
          return [`${event.type} ${place(event.legId)} ${event.cause}`];
        case 'digitsSent':
          return [`digitsSent ${place(event.legId)} ${event.digits}`];
        default:
          return ['legId' in event ? `${event.type} ${place(event.legId)}` : event.type];
      }
    });
  };

  /** Does one thing, which must be allowed, and tells what it caused. */
  function does(command: Command, seconds: number): string[] {
    learnPlaces();
    const { result, events } = office.send(command, seconds);
    if (!result.ok) throw new Error(`${command.type} refused: ${JSON.stringify(result.reason)}`);
    return tell(events);
  }

  /** The leg at a device, at "customer", at an outside number or at a mailbox. */
  function at(where: string): string {
    learnPlaces();
    for (const call of office.exchange.calls.values())
      for (const { id, state } of call.legs) if (state !== 'cleared' && place(id) === where) return id;
    throw new Error(`Nobody at ${where}`);
  }

  return {
    ...office,
    does,
    at,
    lets: (seconds: number) => {
      learnPlaces();
      return tell(office.advance(seconds));
    },
    /** Why a command is refused. */
    refuses: (command: Command, seconds: number): string => {
      const { result } = office.send(command, seconds);
      return result.ok ? 'allowed' : result.reason.code;
    },
    /** What each end of every call hears: "customer: ada-app, ben-desk". */
    hears: (): Record<string, string> => {
      learnPlaces();
      const heard: Record<string, string> = {};
      for (const call of office.exchange.calls.values()) {
        for (const [legId, what] of Object.entries(whatIsHeard(call))) {
          if (call.legs.find(({ id }) => id === legId)?.state === 'cleared') continue;
          heard[place(legId)] =
            what.kind === 'voices'
              ? what.legIds.map(place).join(', ') || 'nobody'
              : what.kind === 'tone'
                ? what.tone
                : what.kind;
        }
      }
      return heard;
    },
    /** Ada answers the customer on her app. */
    adaTalks: (seconds: number) => {
      office.fromCustomer(seconds);
      does({ type: 'answer', legId: at('ada-app') }, seconds);
    },
  };
}

export const device = (deviceId: string) => ({ kind: 'device', deviceId }) as const;
export const number = (to: string) => ({ kind: 'number', to }) as const;

/** Ada talks with the customer, and consults Ben, whose phone is lifted if so wanted. */
export function consulting(isAnswered = true) {
  const story = openStory();
  story.adaTalks(0);
  const held = story.at('ada-app');
  const { legId } = story.fromAda('201', 10, { consultationFor: held });
  if (isAnswered) story.does({ type: 'answer', legId: story.at('ben-desk') }, 14);
  return { ...story, held, consultation: legId };
}

/** Ada, the customer and Ben in one call. */
export function threeTogether() {
  const story = consulting();
  story.does({ type: 'mergeCalls', legId: story.held, otherLegId: story.consultation }, 20);
  return story;
}
