// Makes what the documents can say by themselves: JSON Schemas of the file formats, and every
// construct of the procedure language in shorthand, JSON and ribbon. Run with `node --import tsx
// scripts/generate-docs.mjs`; `--check` only compares.
import fs from 'node:fs';
import path from 'node:path';
import { toJsonSchema } from '@valibot/to-json-schema';
import { root } from './install.mjs';

const { SheetSchema, StageSchema, printLine, lineOf } =
  await import('../core/src/procedure/index.ts');
const { RecordFileSchema, SignedWordSchema } = await import('../core/src/record/index.ts');
const { RunEventSchema } = await import('../core/src/run/index.ts');
const { stageRibbon } = await import('../core/src/drawing/index.ts');
const { routes, permissions, ...contract } = await import('../core/src/contract/index.ts');
const { allBodies, runReplies } = await import('../core/src/contract/work/index.ts');
const { ERROR_CODES } = await import('../core/src/errors/index.ts');
const v = await import('valibot');
const allReplies = { ...contract.replies, ...runReplies };
const queries = {
  orders: contract.OrdersQuery,
  partsList: contract.PartsQuery,
  anglePaper: contract.DiscQuery,
  findSheets: contract.FindQuery,
  exportSheets: contract.ExportQuery,
  importSheets: contract.ImportQuery,
  libraryChanges: contract.ChangesQuery,
  photoPiece: contract.PieceQuery,
  recordOut: contract.RecordQuery,
  history: contract.HistoryQuery,
  followUps: contract.FollowUpsQuery,
};

const isCheck = process.argv.includes('--check');
const stale = [];

function put(file, text) {
  const full = path.join(root, file);
  const was = fs.existsSync(full) ? fs.readFileSync(full, 'utf8') : '';
  if (was === text) return;
  if (isCheck) return stale.push(file);
  fs.mkdirSync(path.dirname(full), { recursive: true });
  fs.writeFileSync(full, text);
}

// Checks that JSON Schema cannot say (finite numbers, clean text) are left to the code.
const schemaOf = (schema, title) =>
  `${JSON.stringify({ title, ...toJsonSchema(schema, { errorMode: 'ignore' }) }, null, 1)}\n`;
put('docs/schema/sheet.schema.json', schemaOf(SheetSchema, 'Stennet spec sheet, form 2'));
put('docs/schema/record.schema.json', schemaOf(RecordFileSchema, 'Stennet record, v 1'));
put('docs/schema/signature.schema.json', schemaOf(SignedWordSchema, 'Stennet signed word, v 1'));
put('docs/schema/run-event.schema.json', schemaOf(RunEventSchema, 'Stennet run event, v 1'));

put('docs/openapi.json', `${JSON.stringify(openApi())}\n`);

/** The contract as an OpenAPI 3.1 document: paths, who may, what goes in, what comes back. */
function openApi() {
  const json = (schema) => {
    const { $schema: _draft, ...rest } = toJsonSchema(schema, { errorMode: 'ignore' });
    return rest;
  };
  const paths = {};
  for (const [name, { method, path: address, permission }] of Object.entries(routes)) {
    const names = [...address.matchAll(/:(\w+)/g)].map((m) => m[1]);
    const query = queries[name];
    const asked = query ? json(query) : undefined;
    const fields =
      asked?.properties ??
      Object.assign({}, ...(asked?.anyOf ?? asked?.oneOf ?? []).map((one) => one.properties));
    const reply = allReplies[name];
    paths[address.replace(/:(\w+)/g, '{$1}')] = {
      ...paths[address.replace(/:(\w+)/g, '{$1}')],
      [method.toLowerCase()]: {
        operationId: name,
        ...(permission && permission !== 'door'
          ? { 'x-permission': permission, 'x-roles': permissions[permission] }
          : { 'x-permission': permission ?? 'signed in' }),
        parameters: [
          ...names.map((n) => ({
            name: n,
            in: 'path',
            required: true,
            schema: { type: 'string' },
          })),
          ...Object.entries(fields ?? {}).map(([n, schema]) => ({
            name: n,
            in: 'query',
            required: asked?.required?.includes(n) ?? false,
            schema,
          })),
        ],
        ...(allBodies[name]
          ? {
              requestBody: {
                required: true,
                content: { 'application/json': { schema: json(allBodies[name]) } },
              },
            }
          : {}),
        responses: {
          200: reply
            ? { description: 'done', content: { 'application/json': { schema: json(reply) } } }
            : { description: 'a file or a stream' },
          default: {
            description: 'a refusal: a code, what is wrong, what to do',
            content: { 'application/json': { schema: { $ref: '#/components/schemas/Refusal' } } },
          },
        },
      },
    };
  }
  const Refusal = {
    type: 'object',
    required: ['error'],
    properties: {
      error: {
        type: 'object',
        required: ['code', 'message', 'fix'],
        properties: {
          code: { enum: ERROR_CODES },
          params: { type: 'object' },
          message: { type: 'string' },
          fix: { type: 'string' },
        },
      },
    },
  };
  return {
    openapi: '3.1.0',
    info: {
      title: 'Stennet',
      version: '1',
      description: 'Generated from the contract in core/src/contract.',
    },
    paths,
    components: { schemas: { Refusal } },
  };
}

const INKS = {
  part: '#dfe6ea',
  partEdge: '#8a979f',
  opening: '#c3ced4',
  head: '#f4f7f8',
  headEdge: '#49545b',
  paint: '#0f8f7e',
  brand: '#5b2a5e',
  brandSoft: '#e6d8e7',
  ink: '#1b2226',
  quiet: '#49545b',
  paper: '#ffffff',
  warn: '#a3380b',
};
const ink = (name) => (name === 'none' ? 'none' : (INKS[name] ?? '#000'));

function svg(drawing) {
  const shapes = drawing.shapes.map((s) => {
    if (s.kind === 'path')
      return `<path d="${s.d}" fill="${ink(s.fill)}" stroke="${ink(s.stroke)}" stroke-width="${s.width}"${s.round ? ' stroke-linecap="round" stroke-linejoin="round"' : ''}/>`;
    if (s.kind === 'circle')
      return `<circle cx="${s.x}" cy="${s.y}" r="${s.r}" fill="${ink(s.fill)}" stroke="${ink(s.stroke)}" stroke-width="${s.width}"/>`;
    return `<text x="${s.x}" y="${s.y}" font-size="${s.size}" fill="${ink(s.ink)}">${s.text}</text>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${drawing.x} ${drawing.y} ${drawing.width} ${drawing.height}" width="${drawing.width * 1.4}" height="${drawing.height * 1.4}"><rect x="${drawing.x}" y="${drawing.y}" width="${drawing.width}" height="${drawing.height}" fill="#fff"/>${shapes.join('')}</svg>\n`;
}

const constructs = JSON.parse(fs.readFileSync(path.join(root, 'docs/constructs.json'), 'utf8'));
const slug = (title) =>
  title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
const parts = constructs.map(({ title, says, stages }) => {
  for (const stage of stages) v.parse(StageSchema, stage);
  const sheet = { groups: [], seats: [], steps: [], clocks: [], takeApart: [], after: [], stages };
  const file = `docs/ribbons/${slug(title)}.svg`;
  put(file, svg(stageRibbon(sheet, null)));
  const { line, unsaid } = lineOf(sheet);
  const shorthand =
    line.stages.length > 0
      ? `\`${printLine({ groups: [], stages: line.stages })
          .replace(/^.*?: /, '')
          .replace(/^, /, '')}\``
      : '';
  const order = stages[0].order
    ? ` (order before the colon: \`${printLine({ groups: [], stages: [line.stages[0] ?? {}] })
        .split(':')[0]
        .replace(/^, /, '')}\`)`
    : '';
  const left = unsaid.filter((u) => u.startsWith('stages'));
  const cannot =
    left.length === 0
      ? ''
      : line.stages.length === 0
        ? 'A line of shorthand can’t say it. Pasting a line keeps it.'
        : 'A line of shorthand can’t say all of it. Pasting a line keeps the rest.';
  const json = stages.map((s) => JSON.stringify(s)).join('\n');
  return `#### ${title}\n\n${says}\n\n![${title}](ribbons/${slug(title)}.svg)\n\n${[shorthand && `Shorthand: ${shorthand}${order}`, cannot].filter(Boolean).join(' ')}\n\n\`\`\`json\n${json}\n\`\`\`\n`;
});

const file = path.join(root, 'docs/PROCEDURE.md');
const [begin, end] = [
  '<!-- constructs: made by scripts/generate-docs.mjs -->',
  '<!-- end of constructs -->',
];
const text = fs.readFileSync(file, 'utf8');
const from = text.indexOf(begin) + begin.length;
put(
  'docs/PROCEDURE.md',
  `${text.slice(0, from)}\n\n${parts.join('\n')}\n${text.slice(text.indexOf(end))}`,
);

if (stale.length > 0) {
  console.error(
    `out of date: ${stale.join(', ')}. Run: node --import tsx scripts/generate-docs.mjs`,
  );
  process.exit(1);
}
