import { emptyOffice, type OfficeSetup } from '@/core/setup';

/** For the tests: Ada with an app, a desk phone and a mobile, and Ben with a desk phone. */
export const sampleOfficeForTests: OfficeSetup = {
  ...emptyOffice,
  people: [
    { id: 'ada', name: 'Ada', role: '', extension: '214', presentedLineId: 'direct' },
    { id: 'ben', name: 'Ben', role: '', extension: '201', presentedLineId: 'direct' },
  ],
  lines: [
    {
      id: 'direct',
      name: 'Direct',
      number: '+441314960214',
      cord: { hue: 0, stroke: 'solid' },
      urgent: false,
      ownerId: 'ada',
    },
  ],
  devices: (['app', 'desk', 'mobile'] as const)
    .map((kind) => ({ id: `ada-${kind}`, personId: 'ada', kind, name: kind, callLimit: 2 }))
    .concat([{ id: 'ben-desk', personId: 'ben', kind: 'desk' as never, name: 'desk', callLimit: 2 }]),
  ringPlans: [
    {
      personId: 'ada',
      rules: [
        {
          id: 'any',
          name: 'Any call',
          lineIds: [],
          stages: [
            {
              targets: [
                { deviceId: 'ada-desk', startSeconds: 0 },
                { deviceId: 'ada-mobile', startSeconds: 5, acceptKey: true },
              ],
              length: { seconds: 25 },
            },
          ],
          finish: { kind: 'mailbox', personId: 'ada' },
        },
      ],
    },
  ],
};
