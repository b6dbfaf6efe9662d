import type { Connection } from '../db/connection';

/** A table whose rows no one changes unseen. */
export interface Guarded {
  table: string;
  /** One row of it, as verify calls it. */
  what: string;
  key: readonly string[];
  /** The column that a person knows it by. */
  label?: string;
  /** What it belongs to: a column, and the table whose key that is. */
  of?: readonly [column: string, table: string];
  /**
   * What is sealed of it, as SQL over the row `r`, by name. Personal data of customers is not: it
   * can be erased.
   */
  sealed: Readonly<Record<string, string>>;
}

const plain = (...columns: string[]): Record<string, string> =>
  Object.fromEntries(columns.map((c) => [c, `r."${c}"`]));
const hashed = (column: string): Record<string, string> => ({
  [column]: `encode(sha256(convert_to(r."${column}", 'UTF8')), 'hex')`,
});
const moment = (column: string): Record<string, string> => ({
  [column]: `r."${column}" at time zone 'UTC'`,
});

/**
 * The order is that in which verify names what is wrong: a run's order before the run.
 * Entries of runs are not here: they carry a chain of their own, and the run's row says where it
 * ends.
 */
export const GUARDED: readonly Guarded[] = [
  {
    table: 'shop',
    what: 'shop settings',
    key: ['shop'],
    label: 'name',
    sealed: plain('name', 'locale', 'time_zone', 'paper', 'torque_unit', 'second_signature'),
  },
  {
    table: 'membership',
    what: 'person',
    key: ['account'],
    label: 'name',
    sealed: plain('name', 'role', 'active'),
  },
  {
    table: 'pin',
    what: 'PIN',
    key: ['account'],
    of: ['account', 'membership'],
    sealed: plain('hash'),
  },
  {
    table: 'sheet_revision',
    what: 'sheet',
    key: ['sheet', 'revision'],
    label: 'title',
    sealed: {
      ...plain('hash', 'status', 'superseded_by', 'approved_by', 'edited_by'),
      ...hashed('body'),
    },
  },
  {
    table: 'shop_tool',
    what: 'tool',
    key: ['id'],
    label: 'name',
    sealed: plain('kind', 'name', 'body', 'retired'),
  },
  {
    table: 'wrench_check',
    what: 'wrench check',
    key: ['id'],
    label: 'day',
    of: ['wrench', 'shop_tool'],
    sealed: { ...plain('wrench', 'verdict', 'body', 'person'), day: 'r."day"::text' },
  },
  {
    table: 'practice_attempt',
    what: 'practice run',
    key: ['id'],
    label: 'exercise',
    of: ['person', 'membership'],
    sealed: { ...plain('person', 'exercise', 'sheet', 'passed'), ...hashed('log') },
  },
  {
    table: 'practice_rule',
    what: 'practice asked for',
    key: ['role', 'kind', 'exercise'],
    label: 'kind',
    sealed: plain('role', 'kind', 'exercise'),
  },
  {
    table: 'repair_order',
    what: 'repair order',
    key: ['id'],
    label: 'number',
    sealed: {
      ...plain('number', 'odometer_value', 'odometer_unit', 'state'),
      vehicle: "r.vehicle - 'plate'",
      ...moment('opened_at'),
    },
  },
  {
    table: 'job',
    what: 'job',
    key: ['id'],
    label: 'title',
    of: ['repair_order', 'repair_order'],
    sealed: plain('repair_order', 'title', 'kind'),
  },
  {
    table: 'joint',
    what: 'joint',
    key: ['id'],
    label: 'name',
    of: ['job', 'job'],
    sealed: plain('job', 'name', 'sheet', 'revision'),
  },
  {
    table: 'run',
    what: 'run',
    key: ['id'],
    label: 'part',
    of: ['joint', 'joint'],
    sealed: {
      ...plain(
        'joint',
        'sheet',
        'revision',
        'part',
        'instance',
        'state',
        'signing',
        'holder_person',
        'holder_device',
        'hold',
      ),
      ...plain('last_seq', 'last_position', 'head_hash', 'standing'),
      ...moment('last_at'),
    },
  },
  {
    table: 'signed_word',
    what: 'signature or note',
    key: ['run', 'place'],
    label: 'kind',
    of: ['run', 'run'],
    sealed: { ...plain('id', 'kind', 'person', 'body', 'signature'), ...moment('at') },
  },
  {
    table: 'statement',
    what: 'lead approval',
    key: ['id'],
    of: ['run', 'run'],
    sealed: { ...plain('run', 'person', 'body'), ...moment('at') },
  },
  {
    table: 'late_event',
    what: 'late entry',
    key: ['id'],
    of: ['run', 'run'],
    sealed: { ...plain('run', 'hold', 'seq', 'person', 'body', 'statement'), ...moment('at') },
  },
  {
    table: 'order_entry',
    what: 'order entry',
    key: ['id', 'version'],
    of: ['repair_order', 'repair_order'],
    sealed: { ...plain('repair_order', 'body', 'gone', 'person'), ...moment('at') },
  },
  {
    table: 'follow_up',
    what: 'follow-up',
    key: ['id'],
    label: 'text',
    of: ['repair_order', 'repair_order'],
    sealed: plain(
      'repair_order',
      'joint',
      'after',
      'kind',
      'text',
      'distance_km',
      'days',
      'celsius',
      'since',
      'since_km',
      'due_on',
      'state',
      'note',
      'seen_km',
      'person',
    ),
  },
  {
    table: 'wrench_use',
    what: 'wrench use',
    key: ['run', 'wrench'],
    of: ['run', 'run'],
    sealed: plain('pulls', 'readings', 'ratio'),
  },
  {
    table: 'foreign_record',
    what: 'record from another shop',
    key: ['run'],
    label: 'number',
    sealed: {
      ...plain('vin', 'number', 'joint', 'from_shop', 'fingerprint', 'person'),
      ...hashed('body'),
    },
  },
  // Named by the hash of what is in them, which verify works out again.
  { table: 'photo', what: 'photo', key: ['photo'], sealed: plain('width', 'height', 'person') },
  { table: 'trace', what: 'torque-angle curve', key: ['trace'], sealed: plain('person') },
];

/**
 * One row as text: the same in the trigger and when it is verified, whatever a session's settings
 * are.
 */
export const sealedText = ({ sealed }: Guarded): string =>
  `jsonb_build_object(${Object.entries(sealed)
    .map(([name, sql]) => `'${name}', ${sql}`)
    .join(', ')})::text`;
/** A row's key as one text. */
export const keyText = ({ key }: Guarded, row = 'r'): string =>
  `concat_ws(' ', ${key.map((c) => `${row}."${c}"`).join(', ')})`;

/**
 * Triggers on every guarded table, as this version of the server wants them; a backup is first
 * loaded into the tables of its own time. Run by the owner of the tables, after migrations.
 */
export async function guardTables(owner: Connection): Promise<void> {
  for (const guarded of GUARDED) {
    const [row] = (
      await owner.query<{ there: boolean }>('select to_regclass($1) is not null as there', [
        `public.${guarded.table}`,
      ])
    ).rows;
    if (row?.there) await owner.query(triggerOf(guarded));
  }
}

const triggerOf = (g: Guarded): string => `
  create or replace function guard_${g.table}() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
  declare
    r record;
    was text;
    is_now text;
  begin
    if tg_op <> 'INSERT' then r := old; was := ${sealedText(g)}; end if;
    if tg_op <> 'DELETE' then r := new; is_now := ${sealedText(g)}; end if;
    if was is distinct from is_now then
      insert into unsealed (transaction, shop, "table", key, label, of, digest) values (pg_current_xact_id(), r.shop, '${g.table}', ${keyText(g)},
        ${g.label ? `r."${g.label}"` : 'null'}, ${g.of ? `r."${g.of[0]}"::text` : 'null'}, encode(sha256(convert_to(is_now, 'UTF8')), 'hex'));
    end if;
    return null;
  end $$;
  create or replace trigger guard after insert or update or delete on "${g.table}" for each row execute function guard_${g.table}();`;
