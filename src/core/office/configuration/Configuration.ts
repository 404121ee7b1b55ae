import { addressWords, type OfficeIndex, type OfficeSetup } from '@/core/setup';
import {
  addressProblems,
  backBefore,
  changeSetup,
  newProblems,
  undoEntry,
  type SetupOutcome,
} from '@/core/setup/changes';
import { editOf, type SetupEntry } from '@/core/setup/edits';

import { done, handle, refused, type Handlers, type Member } from '../handling';
import type { RowChange } from '../rows';
import { runsOffice, type Session } from '../session';
import type { ConfigurationRefusal, ConfigurationReply, ReadConfigurationRequest } from './requests';

export type SetupLogChange = RowChange<'setupLog', SetupEntry>;

type MakeChange = (setup: OfficeSetup, asked: { id: string; byId: string; at: number }) => SetupOutcome;

/** Has an office that is changed in force, at an instant. */
export type Reconfigure = (setup: OfficeSetup, at: number) => void;

/**
 * What was changed of how the office is configured, by whom and when. Deterministic; a change is checked as a whole, and in force at once.
 * All that is noted is there until it is taken (`takeChanges`), so that a host can keep it before anybody is told.
 */
export class Configuration {
  private readonly byId = new Map<string, SetupEntry>();
  private rows: SetupLogChange[] = [];

  constructor(
    private readonly officeNow: () => OfficeIndex,
    private readonly reconfigure: Reconfigure,
  ) {}

  get office(): OfficeIndex {
    return this.officeNow();
  }

  /** The oldest first. */
  get all(): ReadonlyMap<string, SetupEntry> {
    return this.byId;
  }

  /** Takes in what was kept by an earlier run, in any order. */
  load(entries: Iterable<SetupEntry>): void {
    const inOrder = [...entries, ...this.byId.values()].sort((a, b) => Number(a.id) - Number(b.id));
    this.byId.clear();
    for (const entry of inOrder) this.byId.set(entry.id, entry);
  }

  /** What a session asks for; nothing has changed where it is refused. */
  request(session: Session, request: ReadConfigurationRequest, at: number): ConfigurationReply {
    return handle(this.handlers, { session, request, at }, { code: 'notYours', what: 'office' });
  }

  /** The rows that were changed since they were last taken, in order. */
  takeChanges(): SetupLogChange[] {
    const { rows } = this;
    this.rows = [];
    return rows;
  }

  private readonly handlers: Handlers<ReadConfigurationRequest, ConfigurationRefusal> = {
    changeOffice: (by, { edits }, at) =>
      this.change(by, at, (setup, asked) => changeSetup(setup, edits, asked)),

    undoChange: (by, { entryId }, at) => {
      const entry = this.byId.get(entryId);
      if (!entry) return refused({ code: 'unknownEntry' });
      return this.change(by, at, (setup, asked) => undoEntry(setup, entry, asked));
    },

    goBackBefore: (by, { entryId }, at) => {
      const entries = [...this.byId.values()];
      const from = entries.findIndex(({ id }) => id === entryId);
      if (from < 0) return refused({ code: 'unknownEntry' });
      return this.change(by, at, (setup, asked) => backBefore(setup, entries.slice(from), asked));
    },

    setPlace: (by, { deviceId, address }, at) => {
      const { office } = this;
      const device = office.devices.get(deviceId);
      if (!device) return refused({ code: 'unknownPhone' });
      if (device.personId !== by.personId && !runsOffice(by, office))
        return refused({ code: 'notYours', what: 'office' });
      const [problem] = Object.values(addressProblems(address));
      if (problem !== undefined) return refused({ code: 'badAddress', sentence: problem });
      const after = { ...device, location: addressWords(address), place: { ...address, at } };
      const edits = [editOf(office.setup, 'devices', deviceId, after)];
      return this.carryOut(by, at, (setup, asked) => changeSetup(setup, edits, asked));
    },
  };

  private change(by: Member, at: number, make: MakeChange): ConfigurationReply {
    if (!runsOffice(by, this.office)) return refused({ code: 'notYours', what: 'office' });
    return this.carryOut(by, at, make);
  }

  /** A change that is theirs to make. */
  private carryOut(by: Member, at: number, make: MakeChange): ConfigurationReply {
    const { office } = this;
    const id = String(Number([...this.byId.keys()].at(-1) ?? 0) + 1);
    const outcome = make(office.setup, { id, byId: by.personId, at });
    if (!outcome.ok) return refused(outcome.reason);
    const { setup, entry } = outcome;
    if (!setup.people.some((person) => person.id === by.personId)) return refused({ code: 'yourself' });
    const problems = newProblems(office.setup, setup);
    if (problems.length > 0) return refused({ code: 'badOffice', problems });
    this.byId.set(id, entry);
    this.rows.push({ table: 'setupLog', id, before: null, now: entry });
    this.reconfigure(setup, at);
    return done;
  }
}
