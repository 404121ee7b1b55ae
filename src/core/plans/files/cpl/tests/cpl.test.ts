import { OfficeIndex } from '@/core/setup';
import { sampleOfficeForTests } from './testOffice';
import { readCpl, writeCpl, xmlLimits } from '..';

const now = Date.UTC(2026, 10, 26, 10, 40);
const office = new OfficeIndex(sampleOfficeForTests);
const plan = office.ringPlans.get('ada')!;
const read = (text: string) => readCpl(text, plan, office, now);
const script = (body: string) =>
  `<?xml version="1.0"?>\n<cpl xmlns="urn:ietf:params:xml:ns:cpl">\n${body}\n</cpl>`;

function rulesOf(body: string) {
  const found = read(script(body));
  if (!found.ok) throw new Error(`${found.line}: ${found.reason}`);
  return found;
}

describe('a script written elsewhere', () => {
  it('of a proxy that falls back to a mailbox becomes one rule (RFC 3880 §1, call redirect)', () => {
    const { rules, notes } = rulesOf(`<subaction id="voicemail">
  <location url="sip:214@mailbox.office.invalid"><redirect/></location>
</subaction>
<incoming>
  <address-switch field="origin" subfield="host">
    <address subdomain-of="example.com">
      <location url="sip:ada-desk@example.com">
        <proxy timeout="10">
          <busy><sub ref="voicemail"/></busy>
          <noanswer><sub ref="voicemail"/></noanswer>
        </proxy>
      </location>
    </address>
    <otherwise><sub ref="voicemail"/></otherwise>
  </address-switch>
</incoming>`);
    expect(rules).toMatchObject([{ stages: [], finish: { kind: 'mailbox', personId: 'ada' } }]);
    expect(notes).toEqual([
      { line: 8, reason: '“example.com” is no caller that can be asked for: this case is left out.' },
    ]);
  });

  it('of RFC 3880’s own examples goes on to the mailbox of whom its address names, and not to their phones', () => {
    const busyAndAway = rulesOf(`<subaction id="voicemail">
  <location url="sip:ada@voicemail.example.com"><proxy/></location>
</subaction>
<incoming>
  <location url="sip:ada-desk@phones.example.com">
    <proxy timeout="8">
      <busy><sub ref="voicemail"/></busy>
      <noanswer><sub ref="voicemail"/></noanswer>
      <failure><sub ref="voicemail"/></failure>
    </proxy>
  </location>
</incoming>`);
    const mailbox = { kind: 'mailbox', personId: 'ada' };
    expect(busyAndAway).toMatchObject({
      rules: [{ finish: mailbox, busyFinish: mailbox, unreachableFinish: mailbox }],
      notes: [],
    });
    expect(busyAndAway.rules[0]?.stages).toMatchObject([
      { targets: [{ deviceId: 'ada-desk', startSeconds: 0 }], length: { seconds: 8 } },
    ]);
    expect(
      rulesOf('<incoming><location url="sip:nobody@voicemail.example.com"><redirect/></location></incoming>'),
    ).toMatchObject({
      rules: [{ finish: mailbox }],
      notes: [{ reason: expect.stringContaining('nobody') as string }],
    });
  });

  it('tries addresses by their priority, one after the other; a mailbox among them ends it (§4.2)', () => {
    const at = (url: string, priority: string, inner: string) =>
      `<location url="${url}" priority="${priority}">${inner}</location>`;
    const sequence = (inner: string) =>
      at(
        'sip:ada-app@x.example',
        '0.2',
        at('sip:ada-desk@x.example', '0.9', at('tel:+447700900321', '0.5', inner)),
      );
    const targets = (body: string) =>
      rulesOf(`<incoming>${body}</incoming>`).rules[0]?.stages.map((stage) =>
        stage.targets.map((target) => ('deviceId' in target ? target.deviceId : 'number')).join(),
      );
    const proxy = (ordering: string) =>
      `<proxy ordering="${ordering}" timeout="30"><default><reject status="busy"/></default></proxy>`;
    expect(targets(sequence(proxy('sequential')))).toEqual(['ada-desk', 'number', 'ada-app']);
    expect(targets(sequence(proxy('first-only')))).toEqual(['ada-desk']);
    const withMailbox = rulesOf(
      `<incoming>${sequence(at('sip:ada@vm.example.com', '0.4', proxy('sequential')))}</incoming>`,
    );
    expect(withMailbox.rules[0]).toMatchObject({ finish: { kind: 'mailbox', personId: 'ada' } });
    expect(withMailbox.rules[0]?.stages).toHaveLength(2);
    expect(withMailbox.notes.map(({ reason }) => reason)).toEqual([
      'After the mailbox “sip:ada@vm.example.com” nothing is tried any more.',
    ]);
    expect(
      targets(
        sequence(`<remove-location location="tel:+447700900321">${proxy('sequential')}</remove-location>`),
      ),
    ).toEqual(['ada-desk', 'ada-app']);
  });

  it('rejects as the office can, which is said once', () => {
    const { rules, notes } = rulesOf(`<incoming>
  <address-switch field="origin" subfield="tel">
    <address is="+441914980162"><reject status="error"/></address>
    <address is="+441914980163"><reject status="486"/></address>
    <otherwise><reject status="reject"/></otherwise>
  </address-switch>
</incoming>`);
    expect(rules.every(({ finish }) => finish.kind === 'busy')).toBe(true);
    expect(notes).toEqual([
      { line: 5, reason: 'The office can only reject with busy tone, not with “error”.' },
    ]);
  });

  it('of times becomes hours, and what a plan can’t hold is named with its line', () => {
    const { rules, notes } = rulesOf(`<incoming>
  <time-switch tzid="Europe/London">
    <time dtstart="20260105T090000" dtend="20260105T173000" freq="weekly" byday="MO,TU,WE,TH,FR">
      <lookup source="registration">
        <success>
          <proxy timeout="24" ordering="sequential">
            <default><mail url="mailto:ada@example.com"><location url="tel:+447700900321"><redirect/></location></mail></default>
          </proxy>
        </success>
      </lookup>
    </time>
    <otherwise><reject status="notfound" reason="closed"/></otherwise>
  </time-switch>
</incoming>
<outgoing/>`);
    expect(rules).toMatchObject([
      {
        when: { hours: [{ days: [1, 2, 3, 4, 5], from: '09:00', to: '17:30' }] },
        stages: [
          { targets: [{ deviceId: 'ada-app' }], length: { seconds: 8 } },
          { targets: [{ deviceId: 'ada-desk' }], length: { seconds: 8 } },
          { targets: [{ deviceId: 'ada-mobile' }], length: { seconds: 8 } },
        ],
        finish: { kind: 'forward', to: '+447700900321' },
      },
      { finish: { kind: 'busy' } },
    ]);
    expect(notes.map(({ line, reason }) => `${line} ${reason}`)).toEqual([
      '17 Outgoing calls are not decided by a ring plan: the part is left out.',
      '9 A plan sends no mail: this is left out.',
      '14 The office can only reject with busy tone, not with “notfound”.',
    ]);
  });

  it('of a night across midnight, a monthly day and a single stretch is held as hours and days', () => {
    const time = (attributes: string) => `<time ${attributes}><reject status="busy"/></time>`;
    const { rules, notes } = rulesOf(`<incoming><time-switch>
${time('dtstart="20260105T220000" duration="PT8H" freq="daily"')}
${time('dtstart="20260101T000000" duration="P1D" freq="monthly" bymonthday="1" until="20270201T000000"')}
${time('dtstart="20261224T120000" dtend="20261227T080000"')}
</time-switch></incoming>`);
    const whens = rules.slice(0, -1).map(({ when }) => when);
    expect(whens[0]).toEqual({
      hours: [
        { days: [0, 1, 2, 3, 4, 5, 6], from: '22:00', to: '24:00' },
        { days: [1, 2, 3, 4, 5, 6, 0], from: '00:00', to: '06:00' },
      ],
    });
    expect(whens.flatMap((when) => when?.dates ?? [])).toEqual([
      { from: '2026-12-01', to: '2026-12-01' },
      { from: '2027-01-01', to: '2027-01-01' },
      { from: '2027-02-01', to: '2027-02-01' },
      { from: '2026-12-24', to: '2026-12-24' },
      { from: '2026-12-25', to: '2026-12-26' },
      { from: '2026-12-27', to: '2026-12-27' },
    ]);
    expect(notes[0]?.line).toBe(5);
  });

  it('takes the cases of a switch in their order', () => {
    const { rules } = rulesOf(`<incoming>
<address-switch field="origin" subfield="tel">
  <address is="+441914980162"><location url="sip:201@office.invalid"><redirect/></location></address>
  <address subdomain-of="+44191"><reject status="busy"/></address>
  <otherwise>
    <address-switch field="original-destination" subfield="tel">
      <address is="+441314960214"><location url="sip:ada-desk@devices.office.invalid"><proxy timeout="15"/></location></address>
    </address-switch>
  </otherwise>
</address-switch></incoming>`);
    expect(rules.map(({ lineIds, when, finish }) => [lineIds, when?.callers, finish.kind])).toEqual([
      [[], [{ kind: 'number', number: '+441914980162' }], 'forward'],
      [[], [{ kind: 'prefix', prefix: '+44191' }], 'busy'],
      [['direct'], undefined, 'busy'],
      [[], undefined, 'mailbox'],
    ]);
  });
});

describe('a script that can’t be read', () => {
  const refused = (text: string) => {
    const found = read(text);
    return found.ok ? 'read' : `${found.line}: ${found.reason}`;
  };
  it.each([
    ['malformed', '<cpl>\n<incoming>\n</cpl>', /^[23]: /],
    [
      'an entity',
      '<?xml version="1.0"?>\n<!DOCTYPE cpl [<!ENTITY a "aaaa">]>\n<cpl>&a;</cpl>',
      /^2: Document types and entities/,
    ],
    ['another language', '<vxml/>', /^1: This is not a CPL script/],
    ['nothing', '', /^1: /],
    ['a declaration that never ends', '<cpl/><?xml', /^1: /],
    ['an element that is no element of ours', '<__proto__/>', /^1: /],
    [
      'no rings at all',
      script(
        '<incoming><location url="sip:ada-desk@devices.office.invalid"><proxy timeout="0"/></location></incoming>',
      ),
      /^3: “0” is no time to ring/,
    ],
    ['an unknown node', script('<incoming><teleport/></incoming>'), /^3: <teleport> is not part of CPL/],
    [
      'a circle of sub-actions',
      script('<subaction id="a"><sub ref="a"/></subaction><incoming><sub ref="a"/></incoming>'),
      /^3: The sub-action “a” is not defined before it is used/,
    ],
    ['nothing for incoming calls', script('<outgoing/>'), /nothing for incoming calls/],
    [
      'too deep',
      `<cpl><incoming>${'<log>'.repeat(500)}${'</log>'.repeat(500)}</incoming></cpl>`,
      /nested more than 120 deep/,
    ],
    ['too large', `<cpl>${' '.repeat(xmlLimits.characters)}</cpl>`, /larger than/],
  ])('for being %s is refused with line and reason', (_, text, reason) => {
    expect(refused(text)).toMatch(reason);
  });
});

describe('writing a plan', () => {
  it('says what CPL has no word for', () => {
    const rules = [
      { ...plan.rules[0]!, name: 'On site', when: { situationIds: ['site'] } },
      { ...plan.rules[0]!, refusedFinish: { kind: 'busy' as const } },
    ];
    const { text, notes } = writeCpl({ ...plan, rules }, office);
    expect(text).not.toContain('On site');
    expect(notes).toEqual([
      '“On site” asks for a situation, which CPL does not know: the rule is left out.',
      '“Any call” : CPL can’t tell a refusal from another failure, so its own finish for that is left out.'.replace(
        ' :',
        ':',
      ),
    ]);
  });

  it('escapes names, and cuts a stage where something begins', () => {
    const named = { ...plan, rules: [{ ...plan.rules[0]!, name: 'Rain & <wind> "gauges"' }] };
    const { text } = writeCpl(named, office);
    expect(text).toContain('comment="Rain &amp; &lt;wind&gt; &quot;gauges&quot;"');
    expect(text).toContain('timeout="5"');
    const again = readCpl(text, named, office, now);
    expect(again.ok && again.rules[0]?.name).toBe('Rain & <wind> "gauges"');
  });
});
