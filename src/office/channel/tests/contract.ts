import type { Call, Command } from '@/core/calls/exchange';
import type { InboxRequest, SeenChange, Session } from '@/core/office';
import { editOf, rowOf } from '@/core/setup/edits';

import type { Clock } from '../../clock';
import type { OfficeLink, OfficeUpdate, OutsideLink } from '../../link';
import type { HostedOffice } from '../../hosted';

/** What a host gives each session, and how all that is under way comes to rest. */
export interface HostUnderTest {
  join: (session: Session, onAnew: () => void) => OfficeLink;
  rest: () => Promise<void>;
}

export const member = (personId: string, deviceId: string): Session => ({
  id: deviceId,
  personId,
  deviceId,
  roles: ['member', 'administrator'],
});

/** An office that stands still, and whoever plays those outside. */
export interface OpenOffice {
  office: HostedOffice;
  clock: Clock;
  outside: OutsideLink;
}

/** What an app makes of what it reads and hears. */
export class Mirror {
  calls = new Map<string, Call>();
  tables: Record<SeenChange['table'], Map<string, unknown>> = emptyTables();
  readonly heard: string[] = [];

  /** Each is put in its place when it comes: what is told afterwards is newer. */
  async readAll(link: OfficeLink): Promise<void> {
    const calls = link.snapshot().then(({ changedCalls }) => {
      this.calls = new Map(changedCalls.map((call) => [call.id, call]));
    });
    const tables = link.tables().then((seen) => {
      this.tables = emptyTables();
      const { personal, ...tables } = seen;
      for (const [table, rows] of Object.entries(tables))
        for (const row of rows as { id: string }[])
          this.tables[table as SeenChange['table']].set(row.id, row);
      for (const { sort, row } of personal) this.tables.personal.set(`${sort} ${row.id}`, row);
    });
    await Promise.all([calls, tables]);
  }

  hear({ changedCalls, endedCallIds, changes, events }: OfficeUpdate): void {
    for (const call of changedCalls) this.calls.set(call.id, call);
    for (const id of endedCallIds) this.calls.delete(id);
    this.take(changes);
    this.heard.push(...events.map(({ type }) => type));
  }

  take(changes: readonly SeenChange[]): void {
    for (const change of changes) {
      const sort = change.table === 'personal' ? `${change.sort} ` : '';
      if ('put' in change) this.tables[change.table].set(sort + change.put.id, change.put);
      else this.tables[change.table].delete(sort + change.gone);
    }
  }

  /** In one order, whatever the order they came in. */
  all() {
    const sorted = <Row>(rows: Map<string, Row>) => [...rows].sort(([a], [b]) => (a < b ? -1 : 1));
    return [this.calls as Map<string, unknown>, ...Object.values(this.tables)].map(sorted);
  }
}

const keepNote = (id: string, text: string): InboxRequest => ({
  type: 'keepOwn',
  changes: [{ table: 'personal', sort: 'notes', put: { id, text } }],
});

const emptyTables = (): Mirror['tables'] => ({
  messages: new Map<string, unknown>(),
  rooms: new Map<string, unknown>(),
  faxes: new Map<string, unknown>(),
  voicemails: new Map<string, unknown>(),
  assignments: new Map<string, unknown>(),
  waiting: new Map<string, unknown>(),
  setupLog: new Map<string, unknown>(),
  personal: new Map<string, unknown>(),
});

/** What any host has to do for the apps that are linked to it. docs/hosts.md says it in words. */
export function hostContract(
  name: string,
  openOffice: () => OpenOffice,
  open: (office: HostedOffice) => HostUnderTest,
): void {
  describe(`${name}, as a host`, () => {
    function opened() {
      const { office, clock, outside } = openOffice();
      const { join, rest } = open(office);
      const joinLate = () => join(member('maren', 'maren-app'), () => undefined);
      /** The answer, once all is at rest. */
      const on = async <Answer>(asked: Promise<Answer>): Promise<Answer> => {
        const answered = asked.then(
          (answer) => ({ answer }),
          (error: unknown) => ({ error }),
        );
        await rest();
        const result = await answered;
        if ('error' in result) throw result.error;
        return result.answer;
      };
      const app = async (session: Session) => {
        const mirror = new Mirror();
        const readAnew = () => mirror.readAll(link);
        const link = join(session, () => void readAnew());
        link.subscribe((update) => mirror.hear(update));
        await on(readAnew());
        const make = (to: string): Command => ({
          type: 'make',
          from: { kind: 'device', deviceId: session.deviceId ?? '' },
          to,
        });
        const myLeg = () =>
          [...mirror.calls.values()]
            .flatMap(({ legs }) => legs)
            .find(
              ({ endpoint, state }) =>
                endpoint.kind === 'device' && endpoint.deviceId === session.deviceId && state !== 'cleared',
            );
        return { link, mirror, make, myLeg };
      };
      const pass = async (seconds: number) => {
        clock.moveOn(seconds * 1_000);
        await rest();
      };
      return { office, outside, app, on, pass, joinLate };
    }

    it('answers after what was asked has been told, to all whom it concerns', async () => {
      const { app, on } = opened();
      const [maren, hugh] = [await app(member('maren', 'maren-app')), await app(member('hugh', 'hugh-desk'))];
      let heardBefore: string[] | null = null;
      const answered = maren.link.send(maren.make('211')).then((result) => {
        heardBefore = [...maren.mirror.heard];
        return result;
      });
      expect(await on(answered)).toMatchObject({ ok: true });
      expect(heardBefore).toContain('originated');
      expect(hugh.myLeg()?.state).toBe('alerting');
      expect(await on(hugh.link.send({ type: 'answer', legId: hugh.myLeg()?.id ?? '' }))).toMatchObject({
        ok: true,
      });
      expect(maren.mirror.heard).toContain('established');
      expect(maren.myLeg()?.state).toBe('connected');
      expect(await on(maren.link.send({ type: 'clear', legId: maren.myLeg()?.id ?? '' }))).toMatchObject({
        ok: true,
      });
      expect([maren.mirror.calls.size, hugh.mirror.calls.size]).toEqual([0, 0]);
    });

    it('does once what is asked once', async () => {
      const { office, app, on } = opened();
      const maren = await app(member('maren', 'maren-app'));
      await on(maren.link.send(maren.make('0131 496 0142')));
      expect(office.snapshot().changedCalls).toHaveLength(1);
      expect(maren.mirror.heard.filter((type) => type === 'originated')).toHaveLength(1);
    });

    it('refuses with a reason, and says where it can’t read what is asked; nothing has changed then', async () => {
      const { office, app, on } = opened();
      const maren = await app(member('maren', 'maren-app'));
      const before = JSON.stringify(office.save());
      const asHugh: Command = { type: 'make', from: { kind: 'device', deviceId: 'hugh-desk' }, to: '203' };
      expect(await on(maren.link.send(asHugh))).toEqual({
        ok: false,
        reason: { code: 'notYours', what: 'device' },
      });
      expect(await on(maren.link.ask({ type: 'stopFax', id: 'none' }))).toEqual({
        ok: false,
        reason: { code: 'unknownFax' },
      });
      await expect(on(maren.link.ask({ type: 'nonsense' } as never))).rejects.toThrow();
      await expect(on(maren.link.send({ type: 'answer' } as never))).rejects.toThrow();
      expect(JSON.stringify(office.save())).toBe(before);
    });

    it('tells nobody of the plans of others, and says what becomes of a call all the same', async () => {
      const { app, on } = opened();
      const { link } = await app(member('hugh', 'hugh-desk'));
      const { setup } = await on(link.snapshot());
      expect(setup?.ringPlans.map(({ personId }) => personId)).toEqual(['hugh']);
      expect(setup?.withheldPlansOf).toContain('tobias');
      const theirs = await on(link.foresee('207'));
      expect(theirs).toMatchObject({ ownerId: 'tobias', finishSeconds: 25, steps: [] });
      expect(theirs?.legs).not.toEqual([]);
      expect((await on(link.foresee('211')))?.steps).not.toEqual([]);
      expect(await on(link.foresee('07700 900123'))).toBeNull();
    });

    it('tells who was away which rows they have missed, also of more than comes at once, and what it does not know any more', async () => {
      const { app, on } = opened();
      const [maren, hugh] = [await app(member('maren', 'maren-app')), await app(member('hugh', 'hugh-desk'))];
      const write = (id: string) =>
        hugh.link.ask({ type: 'write', id, number: '214', lineId: 'text', text: id });
      await on(write('before'));
      await on(maren.link.ask(keepNote('n', 'Gate code 4120')));
      const away = new Mirror();
      await on(away.readAll(maren.link));
      const { mark } = await on(maren.link.snapshot());
      await on(write('meanwhile'));
      const many = Array.from({ length: 900 }, (_, number) => ({ id: `m${number}`, text: 'Mast up' }));
      const own = { table: 'personal', sort: 'notes' } as const;
      const changes = [{ ...own, gone: 'n' }, ...many.map((put) => ({ ...own, put }))];
      await on(maren.link.ask({ type: 'keepOwn', changes }));
      await on(hugh.link.ask(keepNote('h', 'Keys at the desk')));
      const missed = await on(maren.link.changesSince(mark));
      expect(missed?.filter((change) => 'put' in change && change.table === 'personal')).toHaveLength(900);
      away.take(missed ?? []);
      expect(away.all()).toEqual(maren.mirror.all());
      const { mark: now } = await on(maren.link.snapshot());
      expect(await on(maren.link.changesSince(now))).toEqual([]);
      expect(await on(maren.link.changesSince({ log: 'another', number: 1 }))).toBeNull();
    });

    it('tells each exactly what they see, of calls and of every table', async () => {
      const { outside, app, on, pass } = opened();
      const apps = [await app(member('maren', 'maren-app')), await app(member('hugh', 'hugh-desk'))];
      const [maren, hugh] = apps as [(typeof apps)[0], (typeof apps)[0]];
      const about = { name: 'Race day', isOpen: false, memberIds: ['hugh'] };
      await on(maren.link.ask({ type: 'openRoom', id: 'r', ...about }));
      const write = { type: 'write', lineId: 'text' } as const;
      await on(hugh.link.ask({ ...write, id: 'h1', number: 'room:r', text: 'At nine?' }));
      await on(maren.link.ask({ ...write, id: 'm1', number: '+447700900333', text: 'At two?' }));
      await on(
        maren.link.ask({
          ...{ type: 'sendFax', id: 'f', number: '+441174960155', lineId: 'field' },
          ...{ title: 'Permit', pages: 2 },
        }),
      );
      const customer = { kind: 'outside', number: '+441914980162', name: 'CAWDER FW' } as const;
      await outside.send({ type: 'make', from: customer, to: '+441314960214' });
      await on(maren.link.ask(keepNote('n', 'Gate code 4120')));
      await on(hugh.link.ask(keepNote('n', 'Keys at the desk')));
      for (let step = 0; step < 30; step++) await pass(3);
      await on(hugh.link.ask({ type: 'leave', roomId: 'r' }));
      expect(maren.mirror.all().map((rows) => rows.length > 0)).toEqual([
        ...[false, true, true, true, true],
        ...[false, true, false, true],
      ]);
      for (const { link, mirror } of apps) {
        const fresh = new Mirror();
        await on(fresh.readAll(link));
        expect(mirror.all()).toEqual(fresh.all());
      }
    });

    it('shows everybody from then on what they may see, where that is changed', async () => {
      const { office, outside, app, on } = opened();
      const [maren, hugh] = [await app(member('maren', 'maren-app')), await app(member('hugh', 'hugh-desk'))];
      const customer = { kind: 'outside', number: '+441914980162', name: 'CAWDER FW' } as const;
      await on(outside.send({ type: 'make', from: customer, to: '+441314960214' }));
      const change = (id: string, given: object, table: 'people' | 'teams' = 'people') => {
        const { setup } = office.snapshot();
        if (!setup) throw new Error('It is always told whole.');
        const after = { ...rowOf(setup, table, id), ...given };
        return on(maren.link.ask({ type: 'changeOffice', edits: [editOf(setup, table, id, after)] }));
      };
      const logAt = ({ mirror }: typeof maren) => [...mirror.tables.setupLog.keys()];
      expect(await change('odile', { role: 'Books' })).toEqual({ ok: true });
      expect([logAt(maren), logAt(hugh)]).toEqual([['1'], []]);
      expect(await change('hugh', { administers: true })).toEqual({ ok: true });
      expect(logAt(hugh)).toEqual(['1', '2']);
      expect(await change('hugh', { administers: undefined })).toEqual({ ok: true });
      expect([logAt(maren), logAt(hugh)]).toEqual([['1', '2', '3'], []]);
      // What rings at the others of a team is seen by whoever comes into it.
      const caller = ({ mirror }: typeof maren) =>
        JSON.stringify([...mirror.calls.values()]).includes('441914980162');
      expect([caller(maren), caller(hugh)]).toEqual([true, false]);
      const team = ['maren', 'sunniva', 'bryn', 'hugh'];
      expect(await change('field-team', { memberIds: team }, 'teams')).toEqual({ ok: true });
      expect([caller(maren), caller(hugh)]).toEqual([true, true]);
      for (const { link, mirror } of [maren, hugh]) {
        const fresh = new Mirror();
        await on(fresh.readAll(link));
        expect(mirror.all()).toEqual(fresh.all());
      }
    });

    it('has what somebody keeps for themselves at all their devices, and at nobody else’s', async () => {
      const { app, on } = opened();
      const [here, desk, hugh] = [
        await app(member('maren', 'maren-app')),
        await app(member('maren', 'maren-desk')),
        await app(member('hugh', 'hugh-desk')),
      ];
      const notesAt = ({ mirror }: typeof here) => [...mirror.tables.personal.values()];
      expect(await on(here.link.ask(keepNote('n', 'Gate code 4120')))).toEqual({ ok: true });
      expect(await on(hugh.link.ask(keepNote('n', 'Keys at the desk')))).toEqual({ ok: true });
      for (const device of [here, desk])
        expect(notesAt(device)).toEqual([{ id: 'n', text: 'Gate code 4120' }]);
      await on(
        desk.link.ask({ type: 'keepOwn', changes: [{ table: 'personal', sort: 'notes', gone: 'n' }] }),
      );
      for (const device of [here, desk]) expect(notesAt(device)).toEqual([]);
      expect(notesAt(hugh)).toEqual([{ id: 'n', text: 'Keys at the desk' }]);
    });

    it('lets somebody join in the middle of much, and misses nothing', async () => {
      const { app, joinLate, on } = opened();
      const hugh = await app(member('hugh', 'hugh-desk'));
      const mirror = new Mirror();
      const link = joinLate();
      link.subscribe((update) => mirror.hear(update));
      const asked = Array.from({ length: 12 }, (_, number) =>
        hugh.link.ask({
          type: 'write',
          id: `w${number}`,
          number: '214',
          lineId: 'text',
          text: `Line ${number}`,
        }),
      );
      await on(Promise.all([mirror.readAll(link), ...asked]));
      expect(mirror.tables.messages.size).toBe(12);
    });

    it('lets somebody who comes later see what is there, and whoever has closed hear nothing more', async () => {
      const { app, on } = opened();
      const maren = await app(member('maren', 'maren-app'));
      await on(maren.link.send(maren.make('211')));
      const hugh = await app(member('hugh', 'hugh-desk'));
      expect(hugh.myLeg()?.state).toBe('alerting');
      const heard = hugh.mirror.heard.length;
      hugh.link.close();
      await on(maren.link.send({ type: 'clear', legId: maren.myLeg()?.id ?? '' }));
      expect(hugh.mirror.heard).toHaveLength(heard);
      expect(maren.mirror.calls.size).toBe(0);
    });
  });
}
