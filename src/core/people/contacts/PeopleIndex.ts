import type { NumberingPlan } from '@/core/numbers/numbering';
import type { OfficeIndex } from '@/core/setup';
import type { Contact, ContactNumber } from './contact';

/** Somebody, or a team, who can be called, under one of their numbers (E.164 or an extension). */
export interface Reachable {
  kind: 'colleague' | 'team' | 'contact';
  id: string;
  name: string;
  /** Role of a colleague, firm of a contact, what a team is. */
  detail: string | null;
  label: string;
  number: string;
}

/** Whose numbers they are: the office's people and teams, and contacts. Words are found by PeopleSearch. */
export class PeopleIndex {
  /** How numbers are written in their office. */
  readonly plan: NumberingPlan;
  private readonly inOffice = new Map<string, Reachable>();
  /** Made when it is first asked: thousands may come in, with nobody asking meanwhile. */
  private outside: Map<string, Contact> | null = null;

  constructor(
    office: OfficeIndex,
    private readonly contacts: readonly Contact[],
  ) {
    this.plan = office.plan;
    for (const { id, name, role, extension } of office.setup.people)
      this.inOffice.set(extension, {
        kind: 'colleague',
        id,
        name,
        detail: role,
        label: 'extension',
        number: extension,
      });
    for (const { id, name, extension, memberIds } of office.setup.teams) {
      const detail = `team of ${memberIds.length}`;
      this.inOffice.set(extension, { kind: 'team', id, name, detail, label: 'extension', number: extension });
    }
  }

  private contactsByNumber(): Map<string, Contact> {
    if (this.outside) return this.outside;
    this.outside = new Map();
    for (const contact of this.contacts)
      for (const { number } of contact.numbers)
        if (!this.outside.has(number)) this.outside.set(number, contact);
    return this.outside;
  }

  /** All numbers of the contact who has that one; none for anybody else. */
  numbersOf(number: string | null): readonly ContactNumber[] {
    return this.contactsByNumber().get(number ?? '')?.numbers ?? [];
  }

  /** Whose number it is; null for one nobody knows, and for a withheld one. */
  whoHas(number: string | null): Reachable | null {
    if (number === null) return null;
    const contact = this.contactsByNumber().get(number);
    if (!contact) return this.inOffice.get(number) ?? null;
    const { id, name, firm, numbers } = contact;
    const label = numbers.find((each) => each.number === number)?.label ?? 'number';
    return { kind: 'contact', id, name, detail: firm, label, number };
  }
}
