import { createBrowserRouter, Navigate } from 'react-router';
import { ProgrammePage } from '../features/programme/programme-page.tsx';
import { BrokenPage, MissingPage } from './edge-pages.tsx';
import { SignedIn } from './signed-in.tsx';

export const router = createBrowserRouter([
  {
    path: '/r/:token',
    lazy: async () => ({ Component: (await import('../features/share/share-page.tsx')).SharePage }),
    errorElement: <BrokenPage />,
  },
  {
    element: <SignedIn />,
    errorElement: <BrokenPage />,
    children: [
      { path: '/', element: <ProgrammePage /> },
      {
        path: '/courses/:course',
        lazy: async () => ({
          Component: (await import('../features/course/course-layout.tsx')).CourseLayout,
        }),
        children: [
          { index: true, element: <Navigate to="map" replace /> },
          {
            path: 'material/:pattern?',
            lazy: async () => ({
              Component: (await import('../features/material/material-page.tsx')).MaterialPage,
            }),
          },
          {
            path: 'material/level',
            lazy: async () => ({
              Component: (await import('../features/material/library/level-page.tsx')).LevelPage,
            }),
          },
          {
            path: 'material/:pattern/with/:others?',
            lazy: async () => ({
              Component: (await import('../features/material/figure/compare-page.tsx')).ComparePage,
            }),
          },
          {
            path: 'map',
            lazy: async () => ({ Component: (await import('../features/map/map-page.tsx')).MapPage }),
          },
          {
            path: 'settings',
            lazy: async () => ({
              Component: (await import('../features/course-settings/settings-page.tsx')).SettingsPage,
            }),
          },
          {
            path: 'cost',
            lazy: async () => ({
              Component: (await import('../features/course-settings/cost-page.tsx')).CostPage,
            }),
          },
          {
            path: 'lesson',
            lazy: async () => ({
              Component: (await import('../features/lesson/lesson-page.tsx')).LessonPage,
            }),
          },
          {
            path: 'recap',
            lazy: async () => ({ Component: (await import('../features/recap/recap-page.tsx')).RecapPage }),
          },
        ],
      },
      { path: '*', element: <MissingPage /> },
    ],
  },
]);
