import { sampleCampaigns, sampleLibrary } from '@anvilstone/core/education/sample';
import { agents, defaultCompanyRules } from '@anvilstone/core/materials';
import {
  brief as briefSchema,
  type Brief,
  type Grade,
  type Installation,
  type Part,
  type Problem,
  type ServiceFinding,
  type Session,
  type Spool,
  type Stock,
} from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import { matchPath } from 'react-router';
import { NOW, sampleFindings, sampleInstallations, sampleParts, sampleStock } from './testAnswers.ts';

interface Asked {
  method: string;
  /** Below /api/v1, with its query. */
  path: string;
  body: unknown;
}
type Handler = (given: {
  params: Record<string, string>;
  query: URLSearchParams;
  body: Record<string, unknown>;
}) => unknown;

/** Thrown by a handler: the server says no, and why. */
export class Refused extends Error {
  readonly problem: Problem;
  constructor(problem: Partial<Problem> & Pick<Problem, 'status' | 'title' | 'detail'>) {
    super(problem.detail);
    this.problem = { type: 'about:blank', ...problem };
  }
}

const CHANGED_MEANWHILE = { status: 409, title: 'Changed meanwhile', detail: 'Somebody has saved it since.' };

const fitsSchema = validator(briefSchema);
/** @throws Refused, as the server does, with the fields that do not fit */
function sound(brief: unknown): Brief {
  const checked = fitsSchema(brief);
  if (checked.ok) return checked.value;
  const errors = checked.issues.map((issue) => ({ ...issue, pointer: `/brief${issue.pointer}` }));
  throw new Refused({ status: 400, title: 'Not a brief', detail: 'The brief does not fit.', errors });
}

export const OPEN_DOOR: Session = {
  state: 'open',
  name: null,
  accountId: null,
  role: null,
  isInstallationAdmin: true,
  workspace: { slug: 'workshop', title: 'Data and backup' } as Session['workspace'],
  workspaces: [],
  needsSetupCode: false,
  isEncrypted: false,
};

/** A kind of record as the server keeps it: nothing is written over a newer revision. */
class Records {
  readonly byId = new Map<string, { value: unknown; revision: number }>();
  private readonly field: string;
  constructor(field: string, values: readonly { id: string }[]) {
    this.field = field;
    for (const value of values) this.byId.set(value.id, { value, revision: 1 });
  }
  told(id: string): Record<string, unknown> {
    const found = this.byId.get(id);
    if (!found) throw new Refused({ status: 404, title: 'Not here', detail: `There is no ${this.field} “${id}”.` });
    return { [this.field]: found.value, revision: found.revision, updatedAt: NOW.toISOString() };
  }
  all(): Record<string, unknown>[] {
    return [...this.byId.keys()].map((id) => this.told(id));
  }
  put(id: string, body: Record<string, unknown>): Record<string, unknown> {
    const now = this.byId.get(id)?.revision ?? 0;
    if (body.revision !== now) throw new Refused({ ...CHANGED_MEANWHILE, current: this.told(id) });
    this.byId.set(id, { value: body[this.field], revision: now + 1 });
    return this.told(id);
  }
  remove(id: string): void {
    this.told(id);
    this.byId.delete(id);
  }
  /** As if somebody else had saved it. */
  changeElsewhere(id: string, value: unknown): void {
    this.byId.set(id, { value, revision: (this.byId.get(id)?.revision ?? 0) + 1 });
  }
}

/** A server of the sample project in this process, that keeps what it is told for as long as the test lasts. Used by tests only. */
export function fakeServer() {
  const bench = sampleCampaigns(NOW);
  const kinds = {
    chemicals: new Records('agent', []),
    grades: new Records('grade', sampleLibrary.grades),
    machines: new Records('machine', sampleLibrary.machines),
    spools: new Records(
      'spool',
      sampleStock().spools.map(({ spool }) => spool),
    ),
    places: new Records(
      'place',
      sampleStock().places.map(({ place }) => place),
    ),
    dryers: new Records(
      'dryer',
      sampleStock().dryers.map(({ dryer }) => dryer),
    ),
    campaigns: new Records(
      'campaign',
      bench.map(({ campaign }) => campaign),
    ),
    trials: new Records(
      'trial',
      bench.flatMap(({ trials }) => trials),
    ),
    installations: new Records(
      'installation',
      sampleInstallations.map(({ installation }) => installation),
    ),
    'service-findings': new Records(
      'finding',
      sampleFindings.map(({ finding }) => finding),
    ),
    parts: new Records('brief', []),
  };
  for (const { id, brief } of sampleParts) kinds.parts.byId.set(id, { value: brief, revision: 1 });
  const partOf = (id: string): Part =>
    ({ id, createdAt: NOW.toISOString(), ...kinds.parts.told(id) }) as unknown as Part;
  const server = {
    session: OPEN_DOOR,
    schedule: sampleStock().schedule,
    rules: { value: defaultCompanyRules, revision: 1 },
  };
  const asked: Asked[] = [];
  const routes: [method: string, path: string, handler: Handler][] = [
    ['GET', 'session', () => server.session],
    ['GET', 'library', () => ({ grades: valuesOf(kinds.grades), machines: valuesOf(kinds.machines) })],
    ['GET', 'company-rules', () => rulesTold()],
    [
      'PUT',
      'company-rules',
      ({ body }) => {
        server.rules = { value: body.rules as typeof defaultCompanyRules, revision: server.rules.revision + 1 };
        return rulesTold();
      },
    ],
    ['GET', 'company-rules/history', () => ({ changes: [] })],
    [
      'GET',
      'parts',
      () =>
        [...kinds.parts.byId.keys()].map((id) => ({
          ...partOf(id),
          campaignCount: 0,
          decisionCount: 0,
          decided: null,
          inServiceCount: 0,
        })),
    ],
    ['GET', 'parts/:id', ({ params }) => partOf(params.id!)],
    [
      'POST',
      'parts',
      ({ body }) => {
        const id = `00000000-0000-4000-8000-${(kinds.parts.byId.size + 1).toString(16).padStart(12, '0')}`;
        kinds.parts.byId.set(id, { value: sound(body.brief), revision: 1 });
        return partOf(id);
      },
    ],
    [
      'PUT',
      'parts/:id',
      ({ params, body }) => {
        const { revision } = kinds.parts.byId.get(params.id!) ?? {};
        if (revision !== undefined && revision !== body.revision)
          throw new Refused({ ...CHANGED_MEANWHILE, current: partOf(params.id!) });
        kinds.parts.put(params.id!, { ...body, brief: sound(body.brief) });
        return partOf(params.id!);
      },
    ],
    [
      'GET',
      'parts/:id/installations',
      ({ params }) =>
        kinds.installations.all().filter((one) => (one.installation as Installation).partId === params.id),
    ],
    [
      'GET',
      'parts/:id/service-findings',
      ({ params }) =>
        kinds['service-findings'].all().filter((one) => {
          const { installationId } = one.finding as ServiceFinding;
          const found = kinds.installations.byId.get(installationId)?.value as Installation | undefined;
          return found?.partId === params.id;
        }),
    ],
    ['GET', 'service-findings/:id/reading', () => ({ decisionNumber: null, proposals: [] })],
    ['GET', 'parts/:id/:list', () => []],
    [
      'GET',
      'stock',
      () => {
        const stock = sampleStock(valuesOf(kinds.spools) as Spool[]);
        return {
          ...stock,
          spools: stock.spools.map((one) => ({ ...one, revision: kinds.spools.byId.get(one.spool.id)!.revision })),
          places: kinds.places.all(),
          dryers: kinds.dryers.all(),
          schedule: server.schedule,
        };
      },
    ],
    [
      'POST',
      'grades',
      ({ body }) => {
        const grade = body.grade as Grade;
        return kinds.grades.put(grade.id, { grade, revision: 0 });
      },
    ],
    [
      'PUT',
      'dryer-schedule',
      ({ body }) => {
        const { schedule, revision } = body as unknown as Stock['schedule'];
        if (revision !== server.schedule.revision)
          throw new Refused({ ...CHANGED_MEANWHILE, current: server.schedule });
        server.schedule = { schedule, revision: revision + 1 };
        return server.schedule;
      },
    ],
    ['GET', 'grades/:id/history', () => []],
    ['GET', 'grades/:id/uses', () => ({ parts: [], decisions: [] })],
    ['GET', 'campaigns', () => kinds.campaigns.all().map((one) => ({ ...one, done: 0, running: 0 }))],
    [
      'GET',
      'campaigns/:id/trials',
      ({ params }) =>
        kinds.trials.all().filter(({ trial }) => (trial as { campaignId: string }).campaignId === params.id),
    ],
    ...Object.entries(kinds).flatMap(([kind, records]): [string, string, Handler][] => [
      ['GET', kind, () => records.all()],
      ['GET', `${kind}/:id`, ({ params }) => records.told(params.id!)],
      ['PUT', `${kind}/:id`, ({ params, body }) => records.put(params.id!, body)],
      ['DELETE', `${kind}/:id`, ({ params }) => records.remove(params.id!)],
    ]),
    ...['jobs', 'instruments', 'decisions', 'received-records', 'notices', 'imports', 'account/credentials'].map(
      (path): [string, string, Handler] => ['GET', path, () => []],
    ),
    ['GET', 'campaigns/:id/attachments', () => []],
    ['GET', 'service-findings/:id/photos', () => []],
    ['GET', 'machines/:id/prints', () => []],
    ['POST', 'presence', () => []],
    ['DELETE', 'presence/:tab', () => undefined],
  ];

  function rulesTold() {
    const { value: rules, revision } = server.rules;
    return { rules, revision, changedAt: NOW.toISOString(), changedBy: 'A. Bell' };
  }

  async function answer(input: RequestInfo | URL, init?: RequestInit): Promise<Response> {
    const request = new Request(input, init);
    const url = new URL(request.url);
    const path = url.pathname.replace(/^.*\/api\/v1\//, '');
    const text = await request.text();
    const body = (/json/.test(request.headers.get('Content-Type') ?? '') && text ? JSON.parse(text) : text) as never;
    // Where a page is said to be open changes nothing.
    if (request.method !== 'GET' && !path.startsWith('presence'))
      asked.push({ method: request.method, path: `${path}${url.search}`, body });
    for (const [method, pattern, handler] of routes) {
      const match = method === request.method ? matchPath(`/${pattern}`, `/${path}`) : null;
      if (!match) continue;
      try {
        const value = await handler({ params: match.params as Record<string, string>, query: url.searchParams, body });
        return value === undefined ? new Response(null, { status: 204 }) : json(200, value);
      } catch (error) {
        if (!(error instanceof Refused)) throw error;
        return json(error.problem.status, error.problem);
      }
    }
    return json(404, {
      type: 'about:blank',
      status: 404,
      title: 'Nothing there',
      detail: `The test’s server was not told about ${request.method} ${path}`,
    });
  }

  return {
    kinds,
    server,
    asked,
    answer,
    /** From now on this is what is answered there. */
    says(method: string, path: string, handler: Handler) {
      routes.unshift([method, path, handler]);
    },
    briefOf: (id: string) => kinds.parts.byId.get(id)!.value as Brief,
    referenceAgent: (id: string) => agents.find((agent) => agent.id === id)!,
  };
}
export type FakeServer = ReturnType<typeof fakeServer>;

const valuesOf = (records: Records) => [...records.byId.values()].map(({ value }) => value);
const json = (status: number, value: unknown) =>
  new Response(JSON.stringify(value), { status, headers: { 'Content-Type': 'application/json' } });
