import type { Menu } from '@/core/setup';
import { openStory } from './story';
import { customer, testSetup } from './testOffice';

const menu: Menu = {
  ...{ id: 'menu', name: 'Night menu', extension: '260', text: 'Press one.', waitSeconds: 6, turns: 2 },
  ...{ keys: [], finish: { kind: 'busy' }, keeperId: 'cleo' },
};

describe('numbers outside that the office does not let be called', () => {
  const locked = (more: object = {}) => ({
    ...testSetup.policies,
    outward: { lockedAbroad: [{ days: [4], from: '10:00', to: '11:00' }], ...more },
  });
  const abroad = '00 1 202 555 0147';

  it('are refused to whoever dials them, at the hours in which they are locked, and to nobody else', () => {
    const story = openStory({ ...testSetup, policies: locked({ exceptIds: ['ben'] }) });
    const make = (deviceId: string) =>
      ({ type: 'make', from: { kind: 'device', deviceId }, to: abroad }) as const;
    expect(story.refuses(make('ada-desk'), 0)).toBe('barred');
    expect(story.refuses(make('ben-desk'), 1)).toBe('allowed');
    // Half an hour later it is past eleven.
    expect(story.refuses(make('ada-desk'), 1800)).toBe('allowed');
  });

  it('are where no menu’s key and no plan’s forward leads to meanwhile', () => {
    const keys = [{ key: '1', to: abroad }];
    const story = openStory({ ...testSetup, menus: [{ ...menu, keys }], policies: locked() });
    story.does({ type: 'make', from: customer, to: '260' }, 0);
    expect(story.does({ type: 'sendDigits', legId: story.at('customer'), digits: '1' }, 5)).toEqual([
      'digitsSent customer 1',
      'menuSpoke menu',
    ]);
    const ringPlans = testSetup.ringPlans.map((plan) =>
      plan.personId === 'dot'
        ? { ...plan, forwards: [{ to: { kind: 'forward', to: abroad } as const, from: null, until: null }] }
        : plan,
    );
    const forwarding = openStory({ ...testSetup, ringPlans, policies: locked() });
    forwarding.does({ type: 'make', from: customer, to: '209' }, 0);
    expect([...forwarding.exchange.calls.values()].map(({ failure }) => failure)).toEqual([
      'facilityRejected',
    ]);
  });

  it('are not rung by a stage of a plan', () => {
    const ringPlans = testSetup.ringPlans.map((plan) =>
      plan.personId === 'ben'
        ? {
            ...plan,
            rules: plan.rules.map((rule) => ({
              ...rule,
              stages: [{ length: { seconds: 20 }, targets: [{ number: '+12025550147', startSeconds: 0 }] }],
            })),
          }
        : plan,
    );
    const story = openStory({ ...testSetup, ringPlans, policies: locked({ countries: [] }) });
    expect(story.does({ type: 'make', from: customer, to: '201' }, 0)).not.toContain(
      'networkReached +12025550147',
    );
    const trusted = openStory({ ...testSetup, ringPlans, policies: locked({ exceptIds: ['ben'] }) });
    expect(trusted.does({ type: 'make', from: customer, to: '201' }, 0)).toContain(
      'networkReached +12025550147',
    );
  });

  it('are not tried to find somebody from their mailbox', () => {
    const ringPlans = testSetup.ringPlans.map((plan) =>
      plan.personId === 'dot' ? { ...plan, findMe: [{ number: '+12025550147' }] } : plan,
    );
    const tries = (more: object) => {
      const story = openStory({ ...testSetup, ringPlans, policies: locked(more) });
      story.does({ type: 'make', from: customer, to: '209' }, 0);
      story.does({ type: 'sendDigits', legId: story.at('customer'), digits: '1' }, 2);
      return story.lets(8);
    };
    expect(tries({})).not.toContain('networkReached +12025550147');
    expect(tries({ exceptIds: ['dot'] })).toContain('networkReached +12025550147');
  });
});
