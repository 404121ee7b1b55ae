import { type CarrierCast, type TextScript } from '.';
import { TextCarrier } from './machine';

const now = Date.UTC(2026, 10, 26, 10, 40);
const number = '+447700900333';
const delivers: TextScript = { kind: 'delivers', afterSeconds: 3, reply: null };
const cast: CarrierCast = { texts: {}, textsOtherwise: delivers };
const text = (id: string) => ({ id, number, lineId: 'text', text: 'Hello', hasPicture: false });

function openWith(script: TextScript) {
  const carrier = new TextCarrier(cast);
  carrier.setScript(number, script);
  return carrier;
}

describe('the text carrier', () => {
  it('takes a text, and tells when their phone has it', () => {
    const carrier = new TextCarrier(cast);
    expect(carrier.send(text('a'), now)).toBe('taken');
    expect(carrier.nextAt()).toBe(now + 3_000);
    expect(carrier.takeDue(now + 2_999)).toEqual([]);
    expect(carrier.takeDue(now + 3_000)).toEqual([{ kind: 'delivered', at: now + 3_000, id: 'a' }]);
    expect(carrier.nextAt()).toBeNull();
  });

  it('sends one that is handed over twice only once, also after a restart', () => {
    const carrier = new TextCarrier(cast);
    carrier.send(text('a'), now);
    const again = new TextCarrier(cast, carrier.save());
    expect(again.send(text('a'), now + 1)).toBe('taken');
    expect(again.takeDue(now + 60_000)).toHaveLength(1);
  });

  it('lets their phone answer after its own seconds', () => {
    const carrier = openWith({ ...delivers, reply: { text: 'Thanks', afterSeconds: 10 } });
    carrier.send(text('a'), now);
    expect(carrier.takeDue(now + 60_000).map(({ kind, at }) => [kind, at - now])).toEqual([
      ['delivered', 3_000],
      ['received', 13_000],
    ]);
  });

  it.each([
    ['phoneOff', 'taken'],
    ['refuses', 'refused'],
    ['unreachable', 'unreachable'],
  ] as const)('where it %s, a text is %s and never delivered', (kind, answer) => {
    const carrier = openWith({ kind });
    expect(carrier.send(text('a'), now)).toBe(answer);
    expect(carrier.takeDue(now + 86_400_000)).toEqual([]);
  });

  it('takes a text that it could not take before, once it is back', () => {
    const carrier = openWith({ kind: 'unreachable' });
    carrier.send(text('a'), now);
    carrier.setScript(number, delivers);
    expect(carrier.send(text('a'), now + 5_000)).toBe('taken');
    expect(carrier.takeDue(now + 8_000)).toHaveLength(1);
  });
});
