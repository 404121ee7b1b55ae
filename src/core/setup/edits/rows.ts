import { z } from 'zod';

import { conferenceSchema } from '../conference';
import { menuSchema } from '../menu';
import { ringPlanSchema } from '../ringPlan';
import {
  deviceSchema,
  lineSchema,
  officeSetupSchema,
  personSchema,
  teamSchema,
  type OfficeSetup,
  type Retired,
} from '../setup';

const { name, zone, numbering, parkSlots, policies, rates, callerGroups } = officeSetupSchema.shape;
/** What there is once in an office, each under its name. */
const valueSchemas = { name, zone, numbering, parkSlots, policies, rates } as const;

/** What an office is configured with, as rows: what there is once stands in the table `office`. */
export const rowSchemas = {
  people: personSchema,
  teams: teamSchema,
  lines: lineSchema,
  devices: deviceSchema,
  menus: menuSchema,
  conferences: conferenceSchema,
  callerGroups: callerGroups.element,
  ringPlans: ringPlanSchema,
  office: z.discriminatedUnion('id', [
    z.object({ id: z.literal('name'), value: valueSchemas.name }),
    z.object({ id: z.literal('zone'), value: valueSchemas.zone }),
    z.object({ id: z.literal('numbering'), value: valueSchemas.numbering }),
    z.object({ id: z.literal('parkSlots'), value: valueSchemas.parkSlots }),
    z.object({ id: z.literal('policies'), value: valueSchemas.policies }),
    z.object({ id: z.literal('rates'), value: valueSchemas.rates }),
  ]),
} as const;
export type SetupTable = keyof typeof rowSchemas;
export type SetupRow = Readonly<Record<string, unknown>>;

const tableNames = Object.keys(rowSchemas) as [SetupTable, ...SetupTable[]];
const setupTableSchema = z.enum(tableNames);

const rowSchema = z.record(z.string(), z.unknown()).nullable();
/** One row as whoever asks has seen it, and as it is to be; null: it is not there yet, or is retired. */
export const editSchema = z.object({
  table: setupTableSchema,
  id: z.string(),
  before: rowSchema,
  after: rowSchema,
});
export type Edit = z.infer<typeof editSchema>;

const idOf = (table: SetupTable, row: SetupRow): unknown =>
  table === 'ringPlans' ? row['personId'] : row['id'];
const listOf = (setup: OfficeSetup, table: Exclude<SetupTable, 'office'>): readonly SetupRow[] =>
  setup[table];

/** The row of that name; null where there is none. */
export function rowOf(setup: OfficeSetup, table: SetupTable, id: string): SetupRow | null {
  if (table !== 'office') return listOf(setup, table).find((row) => idOf(table, row) === id) ?? null;
  return id in valueSchemas ? { id, value: setup[id as keyof typeof valueSchemas] } : null;
}

/** The row as its schema reads it, or why it can't be read, by field. */
export function readRow(
  table: SetupTable,
  id: string,
  row: SetupRow,
): { ok: true; row: SetupRow } | { ok: false; field: string; words: string } {
  const read = rowSchemas[table].safeParse(row);
  if (!read.success) {
    const [issue] = read.error.issues;
    return { ok: false, field: String(issue?.path[0] ?? ''), words: issue?.message ?? '' };
  }
  if (idOf(table, read.data) !== id) return { ok: false, field: 'id', words: 'It has another name.' };
  return { ok: true, row: read.data };
}

/** What makes that row of it; null retires it. */
export const editOf = (setup: OfficeSetup, table: SetupTable, id: string, after: SetupRow | null): Edit => ({
  ...{ table, id, after },
  before: rowOf(setup, table, id),
});

/** The office with that row; one that is new stands last, and of one that is gone its name is kept. */
export function withRow(
  setup: OfficeSetup,
  { table, id, after }: Pick<Edit, 'table' | 'id' | 'after'>,
): OfficeSetup {
  if (table === 'office') return after === null ? setup : { ...setup, [id]: after['value'] };
  const rows = listOf(setup, table);
  const at = rows.findIndex((row) => idOf(table, row) === id);
  const others = rows.filter((_, index) => index !== at);
  const changed = at < 0 ? [...rows, after] : rows.map((row, index) => (index === at ? after : row));
  return { ...setup, ...withRetired(setup, table, id, after), [table]: after === null ? others : changed };
}

/** Edits that each begin where those before them end. */
export function inTurn(setup: OfficeSetup, ...makers: ((setup: OfficeSetup) => readonly Edit[])[]): Edit[] {
  let now = setup;
  return makers.flatMap((make) => {
    const edits = make(now);
    now = edits.reduce(withRow, now);
    return [...edits];
  });
}

/** An id that no row of the table has, or had. */
export function freeId(
  setup: OfficeSetup,
  table: Exclude<SetupTable, 'office' | 'ringPlans'>,
  stem: string,
): string {
  const gone = isNamed(table) ? (setup.retired?.[table] ?? []) : [];
  const taken = new Set([...listOf(setup, table), ...gone].map((row) => row['id' as never]));
  for (let number = 1; ; number++) if (!taken.has(`${stem}${number}` as never)) return `${stem}${number}`;
}

const nobodyRetired: Retired = {
  ...{ people: [], teams: [], lines: [], devices: [], menus: [], conferences: [] },
};
const isNamed = (table: SetupTable): table is keyof Retired => table in nobodyRetired;

function withRetired(
  setup: OfficeSetup,
  table: SetupTable,
  id: string,
  after: SetupRow | null,
): Pick<OfficeSetup, 'retired'> {
  if (!isNamed(table)) return {};
  const { retired = nobodyRetired } = setup;
  const others = (retired[table] as { id: string }[]).filter((row) => row.id !== id);
  const gone = after === null ? rowOf(setup, table, id) : null;
  if (gone === null && others.length === retired[table].length) return {};
  const kept = gone === null ? others : [...others, gone];
  return { retired: officeSetupSchema.shape.retired.parse({ ...retired, [table]: kept }) };
}
