import { type FaxScript, type OutgoingFax } from '.';
import { FaxCarrier } from './machine';

const now = Date.UTC(2026, 10, 26, 10, 40);
const number = '+441174960155';
const fax: OutgoingFax = { id: 'f', number, pages: 3, sentPages: 0 };

function sent(script: FaxScript, from = fax) {
  const carrier = new FaxCarrier({ faxes: { [number]: script } });
  carrier.send(from, now);
  return carrier
    .takeDue(now + 3_600_000)
    .map((event) =>
      'pages' in event ? `${event.kind} ${event.pages}` : 'failure' in event ? event.failure : event.kind,
    );
}

describe('the fax machines outside', () => {
  it.each<[FaxScript, string[]]>([
    [{ kind: 'takes' }, ['dialling', 'pagesTaken 0', 'pagesTaken 1', 'pagesTaken 2', 'pagesTaken 3', 'done']],
    [{ kind: 'busy' }, ['dialling', 'busy']],
    [{ kind: 'noAnswer' }, ['dialling', 'noAnswer']],
    [{ kind: 'voice' }, ['dialling', 'noFax']],
    [{ kind: 'breaksOffAfter', pages: 1 }, ['dialling', 'pagesTaken 0', 'pagesTaken 1', 'brokeOff']],
  ])('take a fax as %j says', (script, told) => {
    expect(sent(script)).toEqual(told);
  });

  it('go on from the first page that is missing there', () => {
    expect(sent({ kind: 'takes' }, { ...fax, sentPages: 2 })).toEqual([
      'dialling',
      'pagesTaken 2',
      'pagesTaken 3',
      'done',
    ]);
  });

  it('are set anew for the next fax, and remembered', () => {
    const carrier = new FaxCarrier({ faxes: {} });
    carrier.setScript(number, { kind: 'busy' });
    const again = new FaxCarrier({ faxes: {} }, carrier.save());
    expect(again.scriptOf(number)).toEqual({ kind: 'busy' });
    expect(again.scriptOf('+441314960142')).toEqual({ kind: 'takes' });
  });

  it('dial once for one that is handed over twice, also after a restart', () => {
    const carrier = new FaxCarrier({ faxes: {} });
    carrier.send(fax, now);
    const again = new FaxCarrier({ faxes: {} }, carrier.save());
    again.send(fax, now);
    const told = again.takeDue(now + 3_600_000);
    expect(told.filter(({ kind }) => kind === 'dialling')).toHaveLength(1);
    expect(again.nextAt()).toBeNull();
  });

  it('take their time: six seconds of ringing, eight of greeting, twenty a page', () => {
    const carrier = new FaxCarrier({ faxes: {} });
    carrier.send(fax, now);
    expect(carrier.nextAt()).toBe(now);
    carrier.takeDue(now);
    expect(carrier.nextAt()).toBe(now + 14_000);
    carrier.takeDue(now + 14_000);
    expect(carrier.nextAt()).toBe(now + 34_000);
  });
});
