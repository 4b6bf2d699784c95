import { createBrowserRouter, Link, useRouteError } from 'react-router';
import { LoadProblem } from '../api/LoadProblem.tsx';
import { Fine, Head, Page, Stack } from '../design/layout.ts';
import { Shell } from './Shell.tsx';

const JOBS = { section: { to: '/', text: 'Jobs' } };
const BENCH = { section: { to: '/bench', text: 'Bench' } };
const SHOP = { section: { to: '/shop', text: 'The shop' } };
const VEHICLES = { section: { to: '/vehicles', text: 'Vehicles' } };

function Lost() {
  return (
    <Page>
      <Stack>
        <Head>There is nothing here</Head>
        <Fine>
          The address is wrong, or what it showed was removed. <Link to="/">Back to the jobs</Link>
        </Fine>
      </Stack>
    </Page>
  );
}

function Broken() {
  const error = useRouteError();
  return (
    <Page>
      <LoadProblem
        error={error instanceof Error ? error : new Error('Something broke on this page.')}
        onRetry={() => window.location.reload()}
      />
    </Page>
  );
}

/** Each page is its own download; the first one shows the bench. */
export const router = createBrowserRouter([
  {
    path: '/sign-in',
    ErrorBoundary: Broken,
    HydrateFallback: () => null,
    lazy: async () => ({ Component: (await import('../features/sign-in/SignInPage.tsx')).SignInPage }),
  },
  {
    path: '/set-up',
    ErrorBoundary: Broken,
    HydrateFallback: () => null,
    lazy: async () => ({ Component: (await import('../features/set-up/SetUpPage.tsx')).SetUpPage }),
  },
  {
    path: '/',
    Component: Shell,
    ErrorBoundary: Broken,
    // Shown while the first page's code is on its way.
    HydrateFallback: () => null,
    children: [
      {
        index: true,
        lazy: async () => ({ Component: (await import('../features/jobs/JobsPage.tsx')).JobsPage }),
      },
      {
        path: 'jobs/new',
        handle: JOBS,
        lazy: async () => ({ Component: (await import('../features/jobs/StartJobPage.tsx')).StartJobPage }),
      },
      {
        path: 'jobs/:jobId',
        handle: JOBS,
        lazy: async () => ({ Component: (await import('../features/job/JobPage.tsx')).JobPage }),
        children: [
          {
            index: true,
            lazy: async () => ({ Component: (await import('../features/job/NextStage.tsx')).NextStage }),
          },
          {
            path: 'look-over',
            lazy: async () => ({
              Component: (await import('../features/look-over/LookOverPage.tsx')).LookOverPage,
            }),
          },
          {
            path: 'look-over/layouts',
            lazy: async () => ({
              Component: (await import('../features/layouts/JobLayoutsPage.tsx')).JobLayoutsPage,
            }),
          },
          {
            path: 'measure',
            lazy: async () => ({
              Component: (await import('../features/measure/MeasurePage.tsx')).MeasurePage,
            }),
          },
          {
            path: 'measure/traces/:traceId',
            lazy: async () => ({
              Component: (await import('../features/trace/JobTracePage.tsx')).JobTracePage,
            }),
          },
          {
            path: 'specify',
            lazy: async () => ({
              Component: (await import('../features/specify/SpecifyPage.tsx')).SpecifyPage,
            }),
          },
          {
            path: 'kit',
            lazy: async () => ({ Component: (await import('../features/kit/KitPage.tsx')).KitPage }),
          },
          {
            path: 'build',
            lazy: async () => ({
              Component: (await import('../features/make-up/MakeUpPage.tsx')).MakeUpPage,
            }),
          },
          {
            path: 'fit',
            lazy: async () => ({ Component: (await import('../features/fit/FitPage.tsx')).FitPage }),
          },
          {
            path: 'bleed',
            lazy: async () => ({ Component: (await import('../features/bleed/BleedPage.tsx')).BleedPage }),
          },
          {
            path: 'hand-over',
            lazy: async () => ({
              Component: (await import('../features/hand-over/HandOverPage.tsx')).HandOverPage,
            }),
          },
        ],
      },
      {
        path: 'jobs/:jobId/supplier',
        handle: JOBS,
        lazy: async () => ({
          Component: (await import('../features/supplier/SupplierPage.tsx')).SupplierPage,
        }),
      },
      {
        path: 'jobs/:jobId/order',
        handle: JOBS,
        lazy: async () => ({
          Component: (await import('../features/order/OrderPage.tsx')).OrderPage,
        }),
      },
      {
        path: 'jobs/:jobId/fit-plan',
        handle: JOBS,
        lazy: async () => ({
          Component: (await import('../features/sheets/FitPlanSheetPage.tsx')).FitPlanSheetPage,
        }),
      },
      {
        path: 'jobs/:jobId/handover-sheet',
        handle: JOBS,
        lazy: async () => ({
          Component: (await import('../features/sheets/HandoverSheetPage.tsx')).HandoverSheetPage,
        }),
      },
      {
        path: 'jobs/:jobId/log',
        handle: JOBS,
        lazy: async () => ({ Component: (await import('../features/sheets/JobLogPage.tsx')).JobLogPage }),
      },
      {
        path: 'vehicles',
        lazy: async () => ({
          Component: (await import('../features/vehicles/VehiclesPage.tsx')).VehiclesPage,
        }),
      },
      {
        path: 'vehicles/new',
        handle: VEHICLES,
        lazy: async () => ({
          Component: (await import('../features/vehicles/NewVehiclePage.tsx')).NewVehiclePage,
        }),
      },
      {
        path: 'vehicles/:vehicleId/circuits/:circuitId',
        handle: VEHICLES,
        lazy: async () => ({
          Component: (await import('../features/circuit-editor/CircuitEditorPage.tsx')).CircuitEditorPage,
        }),
      },
      {
        path: 'vehicles/:vehicleId/circuits/:circuitId/layouts',
        handle: VEHICLES,
        lazy: async () => ({
          Component: (await import('../features/layouts/LayoutsPage.tsx')).LayoutsPage,
        }),
      },
      {
        path: 'vehicles/:vehicleId/routes/:cornerId',
        handle: VEHICLES,
        lazy: async () => ({
          Component: (await import('../features/route/bench/VehicleRoutePage.tsx')).VehicleRoutePage,
        }),
      },
      {
        path: 'vehicles/:vehicleId',
        handle: VEHICLES,
        lazy: async () => ({ Component: (await import('../features/vehicles/VehiclePage.tsx')).VehiclePage }),
      },
      {
        path: 'bench',
        lazy: async () => ({ Component: (await import('../features/bench/BenchPage.tsx')).BenchPage }),
      },
      {
        path: 'bench/threads',
        handle: BENCH,
        lazy: async () => ({
          Component: (await import('../features/threads/ThreadFinderPage.tsx')).ThreadFinderPage,
        }),
      },
      {
        path: 'bench/symptoms',
        handle: BENCH,
        lazy: async () => ({
          Component: (await import('../features/symptoms/SymptomsPage.tsx')).SymptomsPage,
        }),
      },
      {
        path: 'bench/route',
        handle: BENCH,
        lazy: async () => ({
          Component: (await import('../features/route/bench/RouteBenchPage.tsx')).RouteBenchPage,
        }),
      },
      {
        path: 'bench/donor',
        handle: BENCH,
        lazy: async () => ({ Component: (await import('../features/donor/DonorPage.tsx')).DonorPage }),
      },
      {
        path: 'bench/trace',
        handle: BENCH,
        lazy: async () => ({ Component: (await import('../features/trace/TracePage.tsx')).TracePage }),
      },
      {
        path: 'bench/datums',
        handle: BENCH,
        lazy: async () => ({ Component: (await import('../features/datums/DatumsPage.tsx')).DatumsPage }),
      },
      {
        path: 'bench/bend',
        handle: BENCH,
        lazy: async () => ({ Component: (await import('../features/bend/BendPage.tsx')).BendPage }),
      },
      {
        path: 'bench/joint',
        handle: BENCH,
        lazy: async () => ({
          Component: (await import('../features/joint-stack/JointStackPage.tsx')).JointStackPage,
        }),
      },
      {
        path: 'bench/hard-line',
        handle: BENCH,
        lazy: async () => ({
          Component: (await import('../features/hard-line/HardLinePage.tsx')).HardLinePage,
        }),
      },
      {
        path: 'bench/templates',
        handle: BENCH,
        lazy: async () => ({
          Component: (await import('../features/templates/TemplatesPage.tsx')).TemplatesPage,
        }),
      },
      {
        path: 'bench/cut-list',
        handle: BENCH,
        lazy: async () => ({
          Component: (await import('../features/cut-list/CutListPage.tsx')).CutListPage,
        }),
      },
      {
        path: 'bench/hexagons',
        handle: BENCH,
        lazy: async () => ({
          Component: (await import('../features/hexagons/HexagonPage.tsx')).HexagonPage,
        }),
      },
      {
        path: 'shop/wrenches',
        handle: SHOP,
        lazy: async () => ({ Component: (await import('../features/shop/WrenchesPage.tsx')).WrenchesPage }),
      },
      {
        path: 'shop/people',
        handle: SHOP,
        lazy: async () => ({ Component: (await import('../features/shop/PeoplePage.tsx')).PeoplePage }),
      },
      {
        path: 'shop/sign-ins',
        handle: SHOP,
        lazy: async () => ({ Component: (await import('../features/shop/SignInsPage.tsx')).SignInsPage }),
      },
      {
        path: 'shop',
        lazy: async () => ({ Component: (await import('../features/shop/ShopPage.tsx')).ShopPage }),
      },
      { path: '*', Component: Lost },
    ],
  },
]);
