import { Navigate, type RouteObject } from 'react-router';
import { stages } from '../stages/parts/stages.ts';
import { PartsPage } from '../stages/parts/list/PartsPage.tsx';
import { movedRoutes } from './movedRoutes.tsx';
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
        lazy: async () => ({ Component: (await import('../stages/parts/PartFrame.tsx')).PartFrame }),
        children: [
          { index: true, element: <Navigate to="brief" replace /> },
          ...stages.map(({ id, lazy }) => ({ path: id, lazy: async () => ({ Component: await lazy() }) })),
        ],
      },
      {
        path: 'grades',
        lazy: async () => ({ Component: (await import('../library/grades/list/GradesPage.tsx')).GradesPage }),
      },
      {
        path: 'grades/compare',
        lazy: async () => ({
          Component: (await import('../library/grades/comparing/CompareGradesPage.tsx')).CompareGradesPage,
        }),
      },
      {
        path: 'grades/reference',
        lazy: async () => ({ Component: (await import('../library/reference/ReferencePage.tsx')).ReferencePage }),
      },
      ...['grades/import', 'grades/import/:importId'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../library/imports/ImportPage.tsx')).ImportPage }),
      })),
      {
        path: 'grades/:gradeId',
        lazy: async () => ({ Component: (await import('../library/grades/grade/GradePage.tsx')).GradePage }),
      },
      ...['grades/new', 'grades/:gradeId/edit'].map((path) => ({
        path,
        lazy: async () => ({
          Component: (await import('../library/grades/editor/GradeEditorPage.tsx')).GradeEditorPage,
        }),
      })),
      {
        path: 'chemicals',
        lazy: async () => ({ Component: (await import('../library/chemicals/ChemicalsPage.tsx')).ChemicalsPage }),
      },
      ...['chemicals/new', 'chemicals/:agentId/edit'].map((path) => ({
        path,
        lazy: async () => ({
          Component: (await import('../library/chemicals/ChemicalEditorPage.tsx')).ChemicalEditorPage,
        }),
      })),
      {
        path: 'chemicals/:agentId',
        lazy: async () => ({ Component: (await import('../library/chemicals/ChemicalPage.tsx')).ChemicalPage }),
      },
      {
        path: 'company-rules',
        lazy: async () => ({
          Component: (await import('../library/companyRules/CompanyRulesPage.tsx')).CompanyRulesPage,
        }),
      },
      ...['calculators', 'calculators/:calculatorId'].map((path) => ({
        path,
        lazy: async () => ({
          Component: (await import('../training/calculators/CalculationsPage.tsx')).CalculationsPage,
        }),
      })),
      { path: 'spools', lazy: async () => ({ Component: (await import('../shop/spools/SpoolsPage.tsx')).SpoolsPage }) },
      ...['spools/new', 'spools/:spoolId/edit'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../shop/spools/SpoolEditorPage.tsx')).SpoolEditorPage }),
      })),
      {
        path: 'spools/:spoolId',
        lazy: async () => ({ Component: (await import('../shop/spools/SpoolPage.tsx')).SpoolPage }),
      },
      ...['machines/new', 'machines/:machineId/edit'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../shop/machines/MachineEditorPage.tsx')).MachineEditorPage }),
      })),
      {
        path: 'service',
        lazy: async () => ({ Component: (await import('../stages/service/ServicePage.tsx')).ServicePage }),
      },
      {
        path: 'unsent',
        lazy: async () => ({ Component: (await import('../team/UnsentPage.tsx')).UnsentPage }),
      },
      {
        path: 'jobs',
        lazy: async () => ({ Component: (await import('../team/jobs/JobsPage.tsx')).JobsPage }),
      },
      {
        path: 'data',
        lazy: async () => ({ Component: (await import('../team/data/DataPage.tsx')).DataPage }),
      },
      { path: 'glossary', lazy: async () => ({ Component: (await import('../help/GlossaryPage.tsx')).GlossaryPage }) },
      ...['training', 'training/:caseId'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../training/TrainingPage.tsx')).TrainingPage }),
      })),
      { path: 'people', lazy: async () => ({ Component: (await import('../team/access/PeoplePage.tsx')).PeoplePage }) },
      {
        path: 'changes',
        lazy: async () => ({ Component: (await import('../team/history/ChangesPage.tsx')).ChangesPage }),
      },
      {
        path: 'welcome',
        lazy: async () => ({ Component: (await import('../team/access/WelcomePage.tsx')).WelcomePage }),
      },
      ...movedRoutes,
      {
        path: 'records',
        lazy: async () => ({ Component: (await import('../stages/decision/records/RecordsPage.tsx')).RecordsPage }),
      },
      {
        path: 'records/received/:recordId',
        lazy: async () => ({
          Component: (await import('../stages/decision/records/ReceivedRecordPage.tsx')).ReceivedRecordPage,
        }),
      },
      { path: 'bench', lazy: async () => ({ Component: (await import('../stages/bench/BenchPage.tsx')).BenchPage }) },
      {
        path: 'bench/new',
        lazy: async () => ({ Component: (await import('../stages/bench/plan/NewCampaignPage.tsx')).NewCampaignPage }),
      },
      {
        path: 'bench/:campaignId',
        lazy: async () => ({ Component: (await import('../stages/bench/CampaignPage.tsx')).CampaignPage }),
      },
      {
        path: 'machines',
        lazy: async () => ({ Component: (await import('../shop/machines/MachinesPage.tsx')).MachinesPage }),
      },
      { path: '*', element: <RouteError /> },
    ],
  },
];
