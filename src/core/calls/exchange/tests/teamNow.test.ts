import { OfficeIndex, plainQueue, type OfficeSetup } from '@/core/setup';
import { agentNow, teamNow, type AgentNow, type OfficeNow } from '../teamNow';
import { device, openStory } from './story';
import { customer, start, testSetup } from './testOffice';

const setup: OfficeSetup = {
  ...testSetup,
  teams: [
    {
      ...{ id: 'yard', name: 'Yard', extension: '250', memberIds: ['ben', 'cleo', 'dot'] },
      queue: { ...plainQueue, order: 'fixedOrder' },
    },
  ],
};

function open() {
  const story = openStory(setup);
  const now = (): OfficeNow => ({
    office: new OfficeIndex(story.exchange.setup),
    calls: [...story.exchange.calls.values()],
    signedIn: [...story.exchange.signedIn],
    agents: [...story.exchange.agents],
    at: story.exchange.now,
  });
  return {
    ...story,
    now,
    states: () => teamNow('yard', now())?.members.map((member): AgentNow => member.now),
    comes: (seconds: number) => story.does({ type: 'make', from: customer, to: '250' }, seconds),
  };
}

describe('how the members of a queue stand', () => {
  it('follows what they do, and what they say of themselves', () => {
    const { comes, does, at, states } = open();
    expect(states()).toEqual(['free', 'free', 'free']);
    comes(0);
    expect(states()).toEqual(['rung', 'free', 'free']);
    does({ type: 'answer', legId: at('ben-desk') }, 4);
    does({ type: 'setAgentState', teamId: 'yard', personId: 'cleo', state: 'notReady', reason: 'Lunch' }, 5);
    does({ type: 'signOut', deviceId: 'dot-desk' }, 6);
    // A mobile alone takes no calls of a team.
    expect(states()).toEqual(['onCall', 'break', 'noPhone']);
    does({ type: 'clear', legId: at('ben-desk') }, 60);
    does({ type: 'setAgentState', teamId: 'yard', personId: 'cleo', state: 'loggedOff', reason: '' }, 61);
    expect(states()).toEqual(['wrapUp', 'signedOut', 'noPhone']);
  });

  it('tells since when, why, and of a wrap-up until when', () => {
    const { comes, does, at, now } = open();
    does({ type: 'setAgentState', teamId: 'yard', personId: 'cleo', state: 'notReady', reason: 'Lunch' }, 5);
    expect(agentNow('yard', 'cleo', now())).toEqual({
      ...{ personId: 'cleo', now: 'break', reason: 'Lunch', at: start + 5000 },
    });
    comes(6);
    does({ type: 'answer', legId: at('ben-desk') }, 10);
    expect(agentNow('yard', 'ben', now()).at).toBe(start + 10_000);
    does({ type: 'clear', legId: at('ben-desk') }, 60);
    expect(agentNow('yard', 'ben', now()).at).toBe(start + 75_000);
  });

  it('calls somebody free exactly where the exchange would ring them', () => {
    const { comes, does, at, now, exchange } = open();
    const free = () =>
      teamNow('yard', now())
        ?.members.filter((member) => member.now === 'free')
        .map(({ personId }) => personId);
    const alike = () => expect(free()).toEqual(exchange.queueOf('yard').free);
    comes(0);
    alike();
    does({ type: 'answer', legId: at('ben-desk') }, 4);
    does({ type: 'make', from: device('dot-desk'), to: '0131 496 0150' }, 5);
    alike();
    does({ type: 'clear', legId: at('ben-desk') }, 9);
    alike();
  });

  it('knows who waits, the next first; and of a team without a queue nothing', () => {
    const { comes, does, now } = open();
    for (const personId of ['ben', 'cleo', 'dot'])
      does({ type: 'setAgentState', teamId: 'yard', personId, state: 'notReady', reason: '' }, 0);
    comes(1);
    does({ type: 'make', from: device('ada-app'), to: '250' }, 2);
    const waiting = teamNow('yard', now())?.waiting ?? [];
    expect(waiting.map(({ queued }) => queued?.since)).toEqual([start + 1000, start + 2000]);
    expect(teamNow('nobody', now())).toBeNull();
  });
});
