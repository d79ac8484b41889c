import { randomBytes } from 'node:crypto';
import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { ENGINE_VERSION } from '@anvilstone/core/evaluation';
import express, { type Express, type RequestHandler, type Response } from 'express';
import helmet from 'helmet';
import type { Knex } from 'knex';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { comparisonOperations } from './comparison/operations.ts';
import { stageOperations } from './stages/operations.ts';
import { viewOperations } from './views/operations.ts';
import { authenticate, FIRST_SLUG, lock, type ExposurePolicy } from './accounts/authenticate.ts';
import { accessOperations } from './accounts/operations.ts';
import { accountService } from './accounts/service.ts';
import { presenceOperations } from './live/operations.ts';
import type { liveStream } from './live/stream.ts';
import { historyOperations } from './history/operations.ts';
import type { WorkspaceServices } from './workspaces/parts.ts';
import { workspaceRegistry, type WorkspaceRegistry } from './workspaces/registry.ts';
import { workspaceService } from './workspaces/service.ts';
import { agentOperations } from './agents/operations.ts';
import { movedAddresses } from './http/movedAddresses.ts';
import { benchOperations } from './bench/operations.ts';
import { calculatorOperations } from './calculators/operations.ts';
import { decisionOperations } from './decisions/operations.ts';
import { decisionService } from './decisions/service.ts';
import { evaluationOperations } from './evaluation/operations.ts';
import { exportOperations, importOperations } from './exchange/operations.ts';
import { gradeOperations } from './grades/operations.ts';
import { gradeService } from './grades/service.ts';
import { companyRulesOperations } from './companyRules/operations.ts';
import { libraryOperations } from './library/operations.ts';
import { healthRoutes } from './health/routes.ts';
import { scoped } from './db/scope.ts';
import { errorHandler, unknownRoute } from './http/errorHandler.ts';
import { openApiDocument } from './http/openapi.ts';
import { routerOf, type Operation } from './http/operation.ts';
import { noWorkspace, principalOf, requireMay } from './http/principal.ts';
import { originGuard } from './http/originGuard.ts';
import { jobOperations } from './jobs/operations.ts';
import { machineOperations } from './machines/operations.ts';
import { instrumentOperations } from './instruments/operations.ts';
import { partOperations } from './parts/operations.ts';
import { partService } from './parts/service.ts';
import { priceOperations } from './prices/operations.ts';
import { searchOperations } from './search/operations.ts';
import { serviceOperations } from './service/operations.ts';
import { workshopOperations } from './workshop/operations.ts';
import { spoolOperations } from './spools/operations.ts';
import { spoolService } from './spools/service.ts';

export interface AppOptions {
  /** The workspace that has always been there. */
  first: WorkspaceServices;
  /** Accounts, workspaces and what belongs to none of them. */
  installation: Knex;
  logger: Logger;
  /** How this server can be reached; by itself only from this computer. */
  exposurePolicy?: ExposurePolicy;
  /** Under which address people reach it, when it is not only for this computer. */
  address?: URL | undefined;
  /** Proxies between, whose word about where a request came from is taken. */
  proxies?: number;
  /** Workspaces that are answered for. Absent: only the first. */
  registry?: WorkspaceRegistry;
  /** Built web pages; absent in tests of the API alone. */
  webFolder?: string;
  /** News of what is changed. Absent: there is none. */
  live?: ReturnType<typeof liveStream>;
  stopping?: () => boolean;
}

export function operationsOf({
  db,
  jobs,
  imports,
  instruments,
  runs,
  backups,
  restores,
}: WorkspaceServices): Operation[] {
  const spools = spoolService(db);
  const operations = [
    ...partOperations(partService(db)),
    ...viewOperations(db, partService(db)),
    ...stageOperations(db, partService(db)),
    ...comparisonOperations(db, partService(db)),
    ...gradeOperations(gradeService(db)),
    ...libraryOperations(db),
    ...companyRulesOperations(db),
    ...importOperations(imports),
    ...exportOperations(db),
    ...machineOperations(db),
    ...agentOperations(db),
    ...spoolOperations(db, spools),
    ...instrumentOperations(db, instruments, spools),
    ...priceOperations(db, instruments),
    ...benchOperations(db, runs),
    ...serviceOperations(db, partService(db)),
    ...evaluationOperations(db),
    ...decisionOperations(db, decisionService(db), jobs),
    ...jobOperations(jobs),
    ...searchOperations(db),
    ...workshopOperations(db, backups, restores),
    ...calculatorOperations,
  ];
  return [...operations, ...historyOperations(db, operations)];
}

export function createApp({
  first,
  installation,
  logger,
  exposurePolicy = { isReachable: false, isEncrypted: false },
  address,
  proxies = 0,
  registry,
  webFolder,
  live,
  stopping = () => false,
}: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', proxies);
  app.use(requestLog(logger));
  app.use((_req, res, next) => {
    res.locals.nonce = randomBytes(18).toString('base64');
    next();
  });
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'default-src': ["'self'"],
          // An open dialog keeps the page from scrolling by a style of its own, which names this page’s nonce.
          'style-src': ["'self'", (_req, res) => `'nonce-${nonceOf(res as Response)}'`],
          'worker-src': ["'self'"],
          'font-src': ["'self'"],
          'upgrade-insecure-requests': null,
        },
      },
      strictTransportSecurity: exposurePolicy.isEncrypted,
    }),
  );
  app.use(originGuard(address));
  app.use(healthRoutes(first.db, stopping));
  app.use(workspaceOfAddress);
  // Nobody between keeps what was answered to one person; whoever has it already may be told that it is still so.
  app.use('/api', (_req, res, next) => {
    res.setHeader('Cache-Control', 'private, no-cache');
    next();
  });
  app.use('/api', authenticate(installation, exposurePolicy, lock(installation, exposurePolicy)));

  const workspaces = registry ?? onlyTheFirst(first);
  const access = [
    ...accessOperations(
      installation,
      exposurePolicy,
      accountService(installation),
      workspaceService(installation, (row) => workspaces.of(row)),
    ),
    ...presenceOperations(installation),
  ];
  const api = express.Router();
  api.use(movedAddresses);
  api.use(routerOf(access));
  if (live) api.get('/live', live);
  api.use(async (req, res, next) => {
    const principal = principalOf(res);
    requireMay(principal, 'viewer');
    const workspace = await workspaces.hold(principal.workspace ?? never());
    res.once('close', workspace.letGo);
    workspace.router(req, res, next);
  });
  api.use(unknownRoute);
  app.get('/api/openapi.json', (_req, res) => {
    requireMay(principalOf(res), 'viewer');
    res.json(openApiDocument([...access, ...operationsOf(first)], ENGINE_VERSION));
  });
  app.use('/api/v1', api);
  app.use('/api', unknownRoute);
  if (webFolder && existsSync(webFolder)) servePages(app, webFolder);
  else app.use(unknownRoute);
  app.use(errorHandler(logger));
  return app;
}

/** What a process that only works answers: whether it lives. */
export function createHealthApp({
  db,
  logger,
  stopping,
}: {
  db: Knex;
  logger: Logger;
  stopping: () => boolean;
}): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(helmet());
  app.use(healthRoutes(db, stopping));
  app.use(unknownRoute);
  app.use(errorHandler(logger));
  return app;
}

export const workspaceRouter = (parts: WorkspaceServices) =>
  routerOf(operationsOf({ ...parts, db: scoped(parts.db) }), parts.db);

function onlyTheFirst(parts: WorkspaceServices): WorkspaceRegistry {
  return workspaceRegistry((row) => {
    if (row.slug !== FIRST_SLUG) throw noWorkspace();
    return Promise.resolve({
      router: workspaceRouter(parts),
      jobs: parts.jobs,
      isBusy: () => true,
      close: () => Promise.resolve(),
    });
  });
}

/** `requireMay` lets nobody through who has no workspace. */
function never(): never {
  throw noWorkspace();
}

/** What is logged of a request: nothing that lets anybody in, and no bodies. */
function requestLog(logger: Logger): RequestHandler {
  return pinoHttp({
    logger,
    autoLogging: { ignore: (req) => req.url === '/health' || req.url === '/ready' },
    serializers: {
      req: ({
        id,
        method,
        url,
        remoteAddress,
      }: {
        id: unknown;
        method: string;
        url: string;
        remoteAddress: string;
      }) => ({
        id,
        method,
        url: url.split('?')[0],
        remoteAddress,
      }),
      res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
    },
  });
}

/** /w/name/… is that workspace’s; any other address is the first one’s. */
const workspaceOfAddress: RequestHandler = (req, res, next) => {
  const [prefix, slug] = /^\/w\/([a-z0-9][a-z0-9-]{0,39})(?=\/|$)/.exec(req.url) ?? [];
  if (prefix !== undefined) {
    res.locals.slug = slug;
    req.url = req.url.slice(prefix.length) || '/';
  }
  next();
};

/** The built pages; any other address gets the shell, whose router knows what to show. */
function servePages(app: Express, folder: string): void {
  app.use('/assets', express.static(join(folder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(express.static(folder, { index: false }));
  app.get('/{*path}', async (_req, res) => {
    const shell = await readFile(join(folder, 'index.html'), 'utf8');
    res.setHeader('Cache-Control', 'no-store');
    res.type('html').send(shell.replace('</head>', `<meta name="style-nonce" content="${nonceOf(res)}" /></head>`));
  });
}

const nonceOf = (res: Response) => (res.locals as { nonce: string }).nonce;
