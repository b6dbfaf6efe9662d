import { toOwnCell } from './http/cells';
import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import type http from 'node:http';
import path from 'node:path';
import compression from 'compression';
import express, { type Express, type RequestHandler } from 'express';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import { pinoHttp } from 'pino-http';
import { AppError } from '@stennet/core/errors';
import { WRENCH_ADDRESS } from '@stennet/core/trace';
import { answerErrors, requireOwnHost, requireSameOrigin } from './http/guards';
import { sessionFirst, type Deps } from './http/serve';
import { KnownSessions } from './http/session';
import { foreignReader } from './record/foreignReader';
import { CheckedRecords } from './record/checkedRecords';
import { KeptRuns } from './record/keptRuns';
import { bayRoutes } from './routes/bay';
import { setupRoutes } from './routes/setup';
import { streamRoutes } from './routes/stream';
import { calendarRoutes } from './routes/calendar';
import { followUpRoutes } from './routes/followUps';
import { foreignRoutes } from './routes/foreignRecords';
import { historyRoutes } from './routes/history';
import { recordOutRoutes } from './routes/recordOut';
import { signRoutes } from './routes/signatures';
import { shopRoutes } from './routes/shop';
import { orderRoutes } from './routes/orders';
import { peopleRoutes } from './routes/people';
import { runRoutes } from './routes/runs';
import { sheetRoutes } from './routes/sheets';
import { exportRoutes } from './routes/exportSheets';
import { importRoutes } from './routes/importSheets';
import { libraryRoutes } from './routes/library';
import { privacyRoutes } from './routes/privacy';
import { printRoutes } from './routes/printSheet';
import { partsListRoutes } from './routes/partsList';
import { logger } from './http/log';
import { photoRoutes } from './routes/photos';
import { traceRoutes } from './routes/traces';
import { sessionRoutes } from './routes/session';
import { statementRoutes } from './routes/statements';
import { metrics } from './http/metrics';
import { systemRoutes } from './routes/system';
import { practiceRoutes } from './routes/practice';
import { toolRoutes } from './routes/tools';
import { writeOrderRoutes } from './routes/writeOrders';
import { speakLanguage } from './language/speak';

export interface AppOptions extends Omit<Deps, 'foreign' | 'runs' | 'checked' | 'known'> {
  /** Folder of the built web app; without it only the API is served. */
  web?: string;
  logLevel: string;
  /** Names that the server is reached by, beyond its address and its name in the local network. */
  hosts?: readonly string[];
  /** Who shows it may read the metrics; without it no one may. */
  metricsToken?: string;
  /** Addresses of proxies that may say who asks; Express names them. */
  trustProxy?: string[];
}

const YEAR_S = 31_536_000;

export function createApp(given: AppOptions): Express {
  const options = {
    ...given,
    foreign: foreignReader(path.join(path.dirname(given.fonts), 'foreignWorker.js')),
    runs: new KeptRuns(),
    checked: new CheckedRecords(),
    known: new KnownSessions(),
  };
  const app = express();
  app.disable('x-powered-by');
  app.set('query parser', 'simple');
  if (options.trustProxy?.length) app.set('trust proxy', options.trustProxy);
  app.use(
    pinoHttp({
      logger: logger(options.logLevel),
      genReqId: requestId,
      serializers: { req: briefRequest, res: briefResponse },
    }),
  );
  app.use(
    helmet({
      contentSecurityPolicy: contentPolicy,
      strictTransportSecurity: options.secureCookie
        ? { maxAge: YEAR_S, includeSubDomains: false }
        : false,
    }),
  );
  app.get('/api/health', tellHealth(options.db));
  app.use(requireOwnHost(options.hosts ?? []));
  measure(app, options);
  app.get('/api/openapi.json', (_req, res) =>
    res.sendFile(path.join(path.dirname(options.fonts), 'openapi.json')),
  );
  app.use('/api', (_req, res, next) => {
    res.set('Cache-Control', 'no-store');
    next();
  });
  app.use('/api', toOwnCell(options.cells), speakLanguage);
  app.use('/api', requireSameOrigin(options.secureCookie), sessionFirst(options), compression());
  // A file streams in past the reader of small bodies.
  importRoutes(app, options);
  photoRoutes(app, options);
  foreignRoutes(app, options);
  app.use(
    ['/api/session', '/api/setup'],
    express.json({ limit: '4kb', strict: true, inflate: false }),
  );
  // A practice run comes whole.
  app.use('/api/practice', express.json({ limit: '1mb', strict: true, inflate: false }));
  app.use('/api', express.json({ limit: '256kb', strict: true, inflate: false }));
  apiRoutes(app, options);
  app.use('/api', () => {
    throw new AppError('NOT_FOUND');
  });
  if (options.web) serveWeb(app, options.web);
  app.use(() => {
    throw new AppError('NOT_FOUND');
  });
  app.use(answerErrors(options.cells));
  return app;
}

const tellHealth =
  (db: Deps['db']): RequestHandler =>
  async (_req, res) => {
    const up = await db.isUp();
    res.status(up ? 200 : 503).json({ ok: up });
  };

function measure(app: Express, { db, metricsToken, keys }: AppOptions): void {
  const measured = metrics(db, metricsToken ?? null, keys.folder);
  app.get('/metrics', measured.answer);
  app.use('/api', measured.watch);
}

/** All that take and give small bodies. */
function apiRoutes(app: Express, options: AppOptions & Deps): void {
  sessionRoutes(app, options);
  setupRoutes(app, options);
  bayRoutes(app, options);
  peopleRoutes(app, options);
  streamRoutes(app, options);
  orderRoutes(app, options);
  writeOrderRoutes(app, options);
  toolRoutes(app, options);
  practiceRoutes(app, options);
  systemRoutes(app, options);
  statementRoutes(app, options);
  traceRoutes(app, options);
  runRoutes(app, options);
  sheetRoutes(app, options);
  libraryRoutes(app, options);
  exportRoutes(app, options);
  printRoutes(app, options);
  partsListRoutes(app, options);
  signRoutes(app, options);
  recordOutRoutes(app, options);
  historyRoutes(app, options);
  followUpRoutes(app, options);
  calendarRoutes(app, options);
  shopRoutes(app, options);
  privacyRoutes(app, options);
}

/** Said in the reply too: what someone reports can be found in the log. */
function requestId(_req: http.IncomingMessage, res: http.ServerResponse): string {
  const id = randomUUID();
  res.setHeader('X-Request-Id', id);
  return id;
}

/** No cookies, no bodies, no addresses of private feeds: what the log keeps of a request. */
const briefRequest = (req: { id: unknown; method: string; url: string }): object => ({
  id: req.id,
  method: req.method,
  path: pathOf(req.url),
});

/**
 * What is as long as a token is left out, wherever it stands: Express takes an address in capitals
 * too.
 */
const pathOf = (url: string): string | undefined => url.split('?')[0]?.replace(/[^/]{40,}/g, '…');
const briefResponse = (res: { statusCode: number }): object => ({ status: res.statusCode });

// React Native for web and its fonts put style elements into the page: styles need 'unsafe-inline',
// scripts do not.
const contentPolicy = {
  useDefaults: false,
  directives: {
    defaultSrc: ["'none'"],
    // The reader of barcodes is WebAssembly.
    scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
    workerSrc: ["'self'"],
    styleSrc: ["'self'", "'unsafe-inline'"],
    imgSrc: ["'self'", 'data:', 'blob:'],
    fontSrc: ["'self'"],
    // A digital wrench, or the bridge to it, on the device itself: nothing else outside of this
    // server.
    connectSrc: ["'self'", WRENCH_ADDRESS],
    manifestSrc: ["'self'"],
    baseUri: ["'none'"],
    formAction: ["'self'"],
    frameAncestors: ["'none'"],
  },
};

function serveWeb(app: Express, web: string): void {
  if (!fs.existsSync(path.join(web, 'index.html')))
    throw new Error(`There is no web app in ${web}; build it first.`);
  const setHeaders = (res: express.Response, file: string): void => {
    const hashed = /^(_expo\/static|assets)\//.test(path.relative(web, file));
    res.setHeader('Cache-Control', hashed ? 'public, max-age=31536000, immutable' : 'no-cache');
  };
  app.use(
    '/',
    expressStaticGzip(web, {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      index: false,
      serveStatic: { index: false, setHeaders } as never,
    }),
  );
  app.get('/{*splat}', (req, res, next) => {
    if (/^\/(_expo|assets)\//.test(req.path) || /\.[a-z0-9]+$/i.test(req.path)) return next();
    res.set('Cache-Control', 'no-cache').sendFile('index.html', { root: web });
  });
}
