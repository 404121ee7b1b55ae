import type { Command } from '@/core/calls/exchange';
import type { Device } from '@/core/setup';

import { comesAgainMs, Presence, talksOnMs } from '../Presence';

/** A host whose timers are run by hand. */
function host() {
  const sent: string[] = [];
  const timers: { at: number; run: () => void; isOver: boolean }[] = [];
  const presence = new Presence(
    {
      send: async (command: Command) => {
        if ('deviceId' in command) sent.push(`${command.type} ${command.deviceId}`);
        return { ok: true };
      },
    },
    (run, at) => {
      const timer = { at, run, isOver: false };
      timers.push(timer);
      return () => void (timer.isOver = true);
    },
  );
  const pass = (ms: number) => {
    for (const timer of timers)
      if (!timer.isOver && timer.at <= ms) {
        timer.isOver = true;
        timer.run();
      }
  };
  const takeSent = () => sent.splice(0);
  return { presence, pass, takeSent };
}

describe('who is there', () => {
  it('rings as long as an app is there, and a little longer; then what it talked on ends', async () => {
    const { presence, pass, takeSent } = host();
    await presence.came('laptop');
    await presence.came('laptop');
    presence.left('laptop');
    pass(talksOnMs);
    expect(takeSent()).toEqual(['signIn laptop', 'signIn laptop']);
    presence.left('laptop');
    pass(comesAgainMs);
    expect(takeSent()).toEqual(['signOut laptop']);
    pass(talksOnMs);
    expect(takeSent()).toEqual(['expire laptop']);
  });

  it('a page that is read anew has not gone', async () => {
    const { presence, pass, takeSent } = host();
    await presence.came('laptop');
    presence.left('laptop');
    await presence.came('laptop');
    pass(talksOnMs);
    expect(takeSent()).toEqual(['signIn laptop', 'signIn laptop']);
  });

  it('after the office was away, apps may come again; desk phones that nobody plays are not there', () => {
    const { presence, pass, takeSent } = host();
    const device = (id: string, kind: Device['kind']): [string, Device] => [
      id,
      { id, kind, personId: 'p', name: id, callLimit: 2 },
    ];
    const devices = new Map([device('app', 'app'), device('desk', 'desk'), device('mobile', 'mobile')]);
    presence.open(['app', 'desk', 'mobile', 'gone'], devices, ({ kind }) => kind === 'mobile');
    expect(takeSent()).toEqual(['signOut desk']);
    pass(comesAgainMs);
    expect(takeSent()).toEqual(['signOut app']);
  });
});
