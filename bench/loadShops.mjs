// Shops for the load: copies of the demo's first, each with a technician of its own.
import pg from 'pg';

const FROM = '5e000000-0000-4000-8000-000000000001';
const MEI = '5e000000-0000-4000-8000-000000000012';
/** What a shop needs to tighten something and to find sheets. */
const TABLES = [
  'shop',
  'sheet_revision',
  'sheet_word',
  'word_count',
  'word_form',
  'library_state',
  'shop_tool',
  'repair_order',
  'job',
];

export async function makeLoadShops(adminUrl, count) {
  const admin = new pg.Client({ connectionString: adminUrl });
  await admin.connect();
  // Their journals begin with what is there when the server is made ready.
  await admin.query("set session_replication_role = 'replica'");
  for (let i = 0; i < count; i += 1) {
    const [shop, person] = ['1', '2'].map(
      (kind) => `5e10000${kind}-0000-4000-8000-${String(i).padStart(12, '0')}`,
    );
    for (const table of TABLES) {
      const { rows } = await admin.query(
        "select attname as name from pg_attribute where attrelid = $1::regclass and attnum > 0 and not attisdropped and attgenerated = '' and attname <> 'shop'",
        [table],
      );
      const columns = rows.map((r) => `"${r.name}"`).join(', ');
      await admin.query(
        `insert into "${table}" (shop, ${columns}) select $1, ${columns} from "${table}" where shop = $2`,
        [shop, FROM],
      );
    }
    await admin.query(
      'insert into account (id, name, name_key, password_hash) select $1, $2, $3, password_hash from account where id = $4',
      [person, `Load ${i}`, `load ${i}`, MEI],
    );
    await admin.query(
      "insert into membership (shop, account, name, role) values ($1, $2, $3, 'technician')",
      [shop, person, `Load ${i}`],
    );
  }
  await admin.end();
}
