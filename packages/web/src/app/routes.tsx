import { Navigate, type RouteObject } from 'react-router';
import { stages } from '../parts/stages.ts';
import { PartsPage } from '../parts/PartsPage.tsx';
import { RouteError } from './RouteError.tsx';
import { Shell } from './Shell.tsx';

/** Only the first screen comes with the first load; every other one is fetched when it is opened. */
export const routes: RouteObject[] = [
  {
    element: <Shell />,
    errorElement: <RouteError />,
    // Until the code of the first screen is there.
    hydrateFallbackElement: <p className="p-10 text-quiet">Opening …</p>,
    children: [
      { index: true, element: <Navigate to="/parts" replace /> },
      { path: 'parts', element: <PartsPage /> },
      {
        path: 'parts/:partId',
        lazy: async () => ({ Component: (await import('../parts/PartBench.tsx')).PartBench }),
        children: [
          { index: true, element: <Navigate to="brief" replace /> },
          ...stages.map(({ id, lazy }) => ({ path: id, lazy: async () => ({ Component: await lazy() }) })),
        ],
      },
      { path: 'grades', lazy: async () => ({ Component: (await import('../grades/GradesPage.tsx')).GradesPage }) },
      {
        path: 'grades/compare',
        lazy: async () => ({ Component: (await import('../grades/CompareGradesPage.tsx')).CompareGradesPage }),
      },
      {
        path: 'grades/reference',
        lazy: async () => ({ Component: (await import('../reference/ReferencePage.tsx')).ReferencePage }),
      },
      ...['grades/import', 'grades/import/:importId'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../imports/ImportPage.tsx')).ImportPage }),
      })),
      {
        path: 'grades/:gradeId',
        lazy: async () => ({ Component: (await import('../grades/GradePage.tsx')).GradePage }),
      },
      ...['grades/new', 'grades/:gradeId/edit'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../grades/editor/GradeEditorPage.tsx')).GradeEditorPage }),
      })),
      { path: 'agents', lazy: async () => ({ Component: (await import('../agents/AgentsPage.tsx')).AgentsPage }) },
      ...['agents/new', 'agents/:agentId/edit'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../agents/AgentEditorPage.tsx')).AgentEditorPage }),
      })),
      {
        path: 'agents/:agentId',
        lazy: async () => ({ Component: (await import('../agents/AgentPage.tsx')).AgentPage }),
      },
      {
        path: 'house-rules',
        lazy: async () => ({ Component: (await import('../houseRules/HouseRulesPage.tsx')).HouseRulesPage }),
      },
      ...['calculations', 'calculations/:calculatorId'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../calculations/CalculationsPage.tsx')).CalculationsPage }),
      })),
      { path: 'spools', lazy: async () => ({ Component: (await import('../spools/SpoolsPage.tsx')).SpoolsPage }) },
      ...['spools/new', 'spools/:spoolId/edit'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../spools/SpoolEditorPage.tsx')).SpoolEditorPage }),
      })),
      {
        path: 'spools/:spoolId',
        lazy: async () => ({ Component: (await import('../spools/SpoolPage.tsx')).SpoolPage }),
      },
      ...['machines/new', 'machines/:machineId/edit'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../machines/MachineEditorPage.tsx')).MachineEditorPage }),
      })),
      {
        path: 'service',
        lazy: async () => ({ Component: (await import('../service/ServicePage.tsx')).ServicePage }),
      },
      {
        path: 'unsent',
        lazy: async () => ({ Component: (await import('../outbox/UnsentPage.tsx')).UnsentPage }),
      },
      {
        path: 'jobs',
        lazy: async () => ({ Component: (await import('../jobs/JobsPage.tsx')).JobsPage }),
      },
      {
        path: 'workshop',
        lazy: async () => ({ Component: (await import('../workshop/WorkshopPage.tsx')).WorkshopPage }),
      },
      { path: 'words', lazy: async () => ({ Component: (await import('../help/WordsPage.tsx')).WordsPage }) },
      ...['practice', 'practice/:caseId'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../practice/PracticePage.tsx')).PracticePage }),
      })),
      { path: 'people', lazy: async () => ({ Component: (await import('../access/PeoplePage.tsx')).PeoplePage }) },
      {
        path: 'changes',
        lazy: async () => ({ Component: (await import('../history/ChangesPage.tsx')).ChangesPage }),
      },
      { path: 'welcome', lazy: async () => ({ Component: (await import('../access/WelcomePage.tsx')).WelcomePage }) },
      {
        path: 'records',
        lazy: async () => ({ Component: (await import('../records/RecordsPage.tsx')).RecordsPage }),
      },
      {
        path: 'records/received/:recordId',
        lazy: async () => ({ Component: (await import('../records/ReceivedRecordPage.tsx')).ReceivedRecordPage }),
      },
      { path: 'bench', lazy: async () => ({ Component: (await import('../bench/BenchPage.tsx')).BenchPage }) },
      {
        path: 'bench/new',
        lazy: async () => ({ Component: (await import('../bench/NewCampaignPage.tsx')).NewCampaignPage }),
      },
      {
        path: 'bench/:campaignId',
        lazy: async () => ({ Component: (await import('../bench/CampaignPage.tsx')).CampaignPage }),
      },
      {
        path: 'machines',
        lazy: async () => ({ Component: (await import('../machines/MachinesPage.tsx')).MachinesPage }),
      },
      { path: '*', element: <RouteError /> },
    ],
  },
];
