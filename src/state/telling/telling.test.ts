import { begun, type Delivery, type Progress } from '@/core/inbox/notifications';

import { onlineChanged } from '../app/slices';
import { cawder, open, serveClips, settle, type App } from '../inbox/tests/openApp';
import { addMail, addWebhook, removeDestination, sendTrial, setKinds, tellAgain } from '.';

/** A server as the app sees it: what it was handed, and how far each has come. */
class Server {
  readonly taken: Delivery[] = [];
  readonly progress = new Map<string, Progress>();
  /** What it answers instead: a status, or null for not being there. */
  instead: number | null | undefined;

  readonly answer = async (path: string, init?: { body: string }) => {
    if (!path.startsWith('/api/telling')) return this.clips(path);
    if (this.instead === null) throw new Error('Nobody there');
    if (this.instead !== undefined) return { ok: false, status: this.instead };
    const body = JSON.parse(init?.body ?? '{}') as Delivery & { ids?: string[] };
    if (path.endsWith('/progress'))
      return json((body.ids ?? []).flatMap((id) => this.progress.get(id) ?? []));
    if (path.endsWith('/again')) return this.end(body.id, 'delivered');
    if (!this.progress.has(body.id)) this.taken.push(body);
    this.progress.set(body.id, this.progress.get(body.id) ?? begun(body.id, 0));
    return json(this.progress.get(body.id));
  };

  end(id: string, state: Progress['state'], problem: string | null = null) {
    const progress: Progress = { id, state, tries: 1, problem, nextAt: null };
    this.progress.set(id, progress);
    return json(progress);
  }

  private readonly clips: (path: string) => Promise<unknown>;
  constructor() {
    serveClips();
    this.clips = globalThis.fetch as never;
    globalThis.fetch = this.answer as never;
  }
}
const json = (value: unknown) => ({ ok: true, status: 200, json: async () => value });

const kinds = (server: Server) => server.taken.map(({ notice, place }) => `${notice.kind} ${place.kind}`);
const told = (app: App) => Object.values(app.state().inbox.kept.told);

async function openTold() {
  const server = new Server();
  const app = await open();
  app.store.dispatch(addMail('maren@orrinvale.example'));
  app.store.dispatch(addWebhook('https://hooks.orrinvale.example/'));
  return { server, app };
}

describe('what is told elsewhere', () => {
  afterEach(() => jest.useRealTimers());

  it('is told to every place of its kind: missed calls, texts, voicemails with sound and words', async () => {
    const { server, app } = await openTold();
    const [mail] = Object.values(app.state().inbox.kept.destinations);
    if (mail) app.store.dispatch(setKinds(mail, ['voicemail']));
    await app.office.play({
      kind: 'textIn',
      text: { number: '+447700900333', lineId: 'text', text: 'When?', picture: null },
    });
    await settle();
    await app.missCall();
    expect(kinds(server)).toEqual(['text webhook', 'missedCall webhook']);
    expect(server.taken[0]?.notice).toMatchObject({
      words: 'When?',
      forName: 'Maren Oyelaran',
      line: { name: 'Field texts' },
      from: { name: 'Three Becks Angling Club', number: '07700 900333', e164: '+447700900333' },
    });
    await app.office.send({ type: 'make', from: cawder, to: '+441314960214' });
    for (let step = 0; step < 60; step++) await app.pass(1);
    expect(kinds(server).slice(2)).toEqual(['voicemail mail', 'voicemail webhook']);
    const { notice } = server.taken[2] ?? {};
    expect(notice?.words).toContain('Please call me back');
    expect(notice?.soundWav?.slice(0, 5)).toBe('UklGR');
    expect(notice?.durationMs).toBeGreaterThan(1000);
    app.stop();
  });

  it('waits while the server can’t be reached or is overloaded, and is handed over once it can', async () => {
    const { server, app } = await openTold();
    for (const instead of [null, 503, 404]) {
      server.instead = instead;
      app.store.dispatch(onlineChanged(false));
      await app.missCall({ ...cawder, number: '+441314960142', name: null });
      app.store.dispatch(onlineChanged(true));
      await settle();
      expect(told(app).every(({ progress }) => progress === null)).toBe(true);
    }
    server.instead = undefined;
    app.store.dispatch(onlineChanged(false));
    app.store.dispatch(onlineChanged(true));
    await settle();
    expect(server.taken).toHaveLength(6);
    expect(told(app).every(({ progress }) => progress?.state === 'waiting')).toBe(true);
    app.stop();
  });

  it('that the server will never take says so', async () => {
    const { server, app } = await openTold();
    server.instead = 400;
    await app.missCall();
    expect(told(app).map(({ progress }) => progress?.problem)).toEqual([
      'The server did not accept it (400).',
      'The server did not accept it (400).',
    ]);
    app.stop();
  });

  it('is followed to its end, also over the page that was closed; tried again by hand', async () => {
    const { server, app } = await openTold();
    await app.missCall();
    const [first, second] = server.taken.map(({ id }) => id);
    await app.vault.flush();
    app.stop();
    server.end(first ?? '', 'delivered');
    server.end(second ?? '', 'failed', 'It answered 410.');
    const again = await open(app.kept, { state: app.office.save() });
    await settle();
    expect(told(again).map(({ progress }) => progress?.state)).toEqual(['delivered', 'failed']);
    await again.store.dispatch(tellAgain(second ?? ''));
    expect(told(again)[1]?.progress?.state).toBe('delivered');
    again.stop();
  });

  it('is handed over anew where the server has forgotten it', async () => {
    const { server, app } = await openTold();
    await app.missCall();
    expect(server.taken).toHaveLength(2);
    await app.vault.flush();
    app.stop();
    server.progress.clear();
    const again = await open(app.kept, { state: app.office.save() });
    await settle();
    await settle();
    expect(server.taken).toHaveLength(4);
    again.stop();
  });

  it('may be tried without anything having happened, and ends when a place is told no more', async () => {
    const { server, app } = await openTold();
    const [mail, hook] = Object.values(app.state().inbox.kept.destinations);
    if (mail) app.store.dispatch(sendTrial(mail));
    await settle();
    expect(server.taken[0]?.notice.from.name).toBe('nobody (a test)');
    expect(hook?.place).toMatchObject({ secret: expect.stringMatching(/^whsec_.{32}$/) });
    if (mail) app.store.dispatch(removeDestination(mail));
    if (hook) app.store.dispatch(removeDestination(hook));
    await app.missCall();
    expect(server.taken).toHaveLength(1);
    app.stop();
  });
});
