import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';

import type { HostedOffice } from '@/office/hosted';

/** Why something that was said to the office was not heard. */
export type Unheard = 'too fast' | 'too many PINs' | 'not understood or not theirs' | 'another site';

/** What is counted of an office: null while it is not open. */
interface Counted {
  office: () => HostedOffice | null;
  connections: () => number;
}

/** How the offices of this process fare, all together, as Prometheus reads it (text format 0.0.4). Numbers alone: nobody is named. */
export class Figures {
  private readonly registry = new Registry();
  private readonly took = new Histogram({
    name: 'cendro_request_seconds',
    help: 'From when a request was heard until what it changed is kept',
    labelNames: ['what'],
    buckets: [0.001, 0.0025, 0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5],
    registers: [this.registry],
  });
  private readonly unheard = new Counter({
    name: 'cendro_unheard_total',
    help: 'What was said and not heard',
    labelNames: ['why'],
    registers: [this.registry],
  });

  private readonly all = new Set<Counted>();

  constructor() {
    collectDefaultMetrics({ register: this.registry });
    const sum = (name: string, help: string, countOf: (each: Counted) => number) => {
      const now = () => [...this.all].reduce((total, each) => total + countOf(each), 0);
      return new Gauge({
        ...{ name, help, registers: [this.registry] },
        collect() {
          this.set(now());
        },
      });
    };
    sum('cendro_connections', 'Browsers that are connected', ({ connections }) => connections());
    sum('cendro_devices', 'Devices that are signed in', ({ office }) => office()?.signedIn.size ?? 0);
    sum('cendro_calls', 'Calls that are there', ({ office }) => office()?.seen().calls.size ?? 0);
    sum('cendro_queued', 'Callers who wait in a queue', ({ office }) => waiting(office()));
  }

  /** An office is counted too, until what is given is called. */
  count(counted: Counted): () => void {
    this.all.add(counted);
    return () => void this.all.delete(counted);
  }

  requestTook(what: 'send' | 'ask', ms: number): void {
    this.took.observe({ what }, ms / 1000);
  }

  wasUnheard(why: Unheard): void {
    this.unheard.inc({ why });
  }

  get contentType(): string {
    return this.registry.contentType;
  }

  text(): Promise<string> {
    return this.registry.metrics();
  }
}

const waiting = (office: HostedOffice | null): number =>
  [...(office?.seen().calls.values() ?? [])].filter(({ legs }) =>
    legs.some(({ endpoint, state }) => endpoint.kind === 'queue' && state !== 'cleared'),
  ).length;
