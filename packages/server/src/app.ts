import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ENGINE_VERSION } from '@anvilstone/core';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Knex } from 'knex';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { comparisonOperations } from './comparison/operations.ts';
import { stageOperations } from './stages/operations.ts';
import { viewOperations } from './views/operations.ts';
import { agentOperations } from './agents/operations.ts';
import { benchOperations } from './bench/operations.ts';
import { runService, type RunService } from './bench/runService.ts';
import { calculatorOperations } from './calculators/operations.ts';
import { decisionOperations } from './decisions/operations.ts';
import { decisionService } from './decisions/service.ts';
import { evaluationOperations } from './evaluation/operations.ts';
import { exportOperations, importOperations } from './exchange/operations.ts';
import { importService, type ImportService } from './exchange/importService.ts';
import { gradeOperations } from './grades/operations.ts';
import { gradeService } from './grades/service.ts';
import { houseRulesOperations } from './houseRules/operations.ts';
import { libraryOperations } from './library/operations.ts';
import { healthRoutes } from './health/routes.ts';
import { errorHandler, unknownRoute } from './http/errorHandler.ts';
import { openApiDocument } from './http/openapi.ts';
import { fileBodies, routerOf, type Operation } from './http/operation.ts';
import { originGuard } from './http/originGuard.ts';
import { machineOperations } from './machines/operations.ts';
import { instrumentOperations } from './instruments/operations.ts';
import { instrumentService, type InstrumentService } from './instruments/service.ts';
import { partOperations } from './parts/operations.ts';
import { partService } from './parts/service.ts';
import { priceOperations } from './prices/operations.ts';
import { searchOperations } from './search/operations.ts';
import { serviceOperations } from './service/operations.ts';
import { backupService, type BackupService } from './workshop/backups.ts';
import { workshopOperations } from './workshop/operations.ts';
import { spoolOperations } from './spools/operations.ts';
import { spoolService } from './spools/service.ts';

export interface AppOptions {
  db: Knex;
  logger: Logger;
  /** Built web pages; absent in tests of the API alone. */
  webFolder?: string;
  stopping?: () => boolean;
  imports?: ImportService;
  /** Absent: no instrument is at hand. */
  instruments?: InstrumentService;
  /** Absent: no gauge is at hand. */
  runs?: RunService;
  /** Absent: no backups are kept. */
  backups?: BackupService;
}

/** A brief is a few kilobytes and a library some megabytes; more is a mistake or an attack. */
const BODY_LIMIT = '5mb';

export function operationsOf(
  db: Knex,
  imports: ImportService,
  instruments: InstrumentService,
  runs: RunService,
  backups: BackupService,
): Operation[] {
  const spools = spoolService(db);
  return [
    ...partOperations(partService(db)),
    ...viewOperations(db, partService(db)),
    ...stageOperations(db, partService(db)),
    ...comparisonOperations(db, partService(db)),
    ...gradeOperations(gradeService(db)),
    ...libraryOperations(db),
    ...houseRulesOperations(db),
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
    ...decisionOperations(db, decisionService(db)),
    ...searchOperations(db),
    ...workshopOperations(db, backups),
    ...calculatorOperations,
  ];
}

export function createApp({
  db,
  logger,
  webFolder,
  stopping = () => false,
  imports = importService(db, logger),
  instruments = instrumentService(db, logger, []),
  runs = runService(db, logger, instruments, []),
  backups = backupService(db, logger, {}),
}: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(pinoHttp({ logger, autoLogging: { ignore: (req) => req.url === '/health' || req.url === '/ready' } }));
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'default-src': ["'self'"],
          // Positioned popovers set inline styles.
          'style-src': ["'self'", "'unsafe-inline'"],
          'worker-src': ["'self'", 'blob:'],
          'upgrade-insecure-requests': null,
        },
      },
      strictTransportSecurity: false, // plain http on loopback
    }),
  );
  app.use(originGuard);
  app.use(healthRoutes(db, stopping));
  const operations = operationsOf(db, imports, instruments, runs, backups);
  const api = express.Router();
  api.use(fileBodies(operations));
  api.use(express.json({ limit: BODY_LIMIT, strict: true, type: () => true }));
  api.use(routerOf(operations));
  api.use(unknownRoute);
  app.get('/api/openapi.json', (_req, res) => {
    res.json(openApiDocument(operations, ENGINE_VERSION));
  });
  app.use('/api/v1', api);
  app.use('/api', unknownRoute);
  if (webFolder && existsSync(webFolder)) servePages(app, webFolder);
  else app.use(unknownRoute);
  app.use(errorHandler(logger));
  return app;
}

/** The built pages; any other address gets the shell, whose router knows what to show. */
function servePages(app: Express, folder: string): void {
  app.use('/assets', express.static(join(folder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(express.static(folder, { index: false }));
  app.get('/{*path}', (_req, res) => {
    res.setHeader('Cache-Control', 'no-cache');
    res.sendFile(join(folder, 'index.html'));
  });
}
