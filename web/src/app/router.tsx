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
  ...(['/come/:token', '/found/:token?', '/at/:slug'] as const).map(path => ({
    path,
    lazy: async () => {
      const pages = await import('../features/session/link-pages.tsx');
      const Component = {
        '/come/:token': pages.InvitationPage,
        '/found/:token?': pages.FoundingPage,
        '/at/:slug': pages.AddressPage,
      }[path];
      return { Component };
    },
    errorElement: <BrokenPage />,
  })),
  {
    element: <SignedIn />,
    errorElement: <BrokenPage />,
    children: [
      { path: '/', element: <ProgrammePage /> },
      {
        path: '/term',
        lazy: async () => ({ Component: (await import('../features/classes/term-page.tsx')).TermPage }),
      },
      {
        path: '/next-term',
        lazy: async () => ({
          Component: (await import('../features/next-term/next-term-page.tsx')).NextTermPage,
        }),
      },
      {
        path: '/classes/new',
        lazy: async () => ({
          Component: (await import('../features/classes/new-class-page.tsx')).NewClassPage,
        }),
      },
      {
        path: '/classes/:class',
        lazy: async () => ({ Component: (await import('../features/classes/class-page.tsx')).ClassPage }),
      },
      {
        path: '/people',
        lazy: async () => ({ Component: (await import('../features/people/people-page.tsx')).PeoplePage }),
      },
      {
        path: '/students/:student',
        lazy: async () => ({ Component: (await import('../features/people/student-page.tsx')).StudentPage }),
      },
      {
        path: '/account',
        lazy: async () => ({ Component: (await import('../features/people/account-page.tsx')).AccountPage }),
      },
      {
        path: '/setup',
        lazy: async () => ({ Component: (await import('../features/setup/setup-page.tsx')).SetUpPage }),
      },
      {
        path: '/studio',
        lazy: async () => ({
          Component: (await import('../features/setup/studio-page.tsx')).StudioDecisionsPage,
        }),
      },
      {
        path: '/dances/new',
        lazy: async () => ({
          Component: (await import('../features/setup/new-dance-page.tsx')).NewDancePage,
        }),
      },
      {
        path: '/dances/:dance',
        lazy: async () => ({ Component: (await import('../features/setup/dance-page.tsx')).DancePage }),
      },
      {
        path: '/courses/new',
        lazy: async () => ({
          Component: (await import('../features/setup/new-course-page.tsx')).NewCoursePage,
        }),
      },
      {
        path: '/files',
        lazy: async () => ({ Component: (await import('../features/files/files-page.tsx')).FilesPage }),
      },
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
            path: 'classes',
            lazy: async () => ({
              Component: (await import('../features/lesson/classes-page.tsx')).ClassesPage,
            }),
          },
          {
            path: 'sheet',
            lazy: async () => ({
              Component: (await import('../features/recap/level-sheet-page.tsx')).LevelSheetPage,
            }),
          },
          {
            path: 'next',
            lazy: async () => ({
              Component: (await import('../features/course-settings/next-course-page.tsx')).NextCoursePage,
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
            path: 'brief',
            lazy: async () => ({
              Component: (await import('../features/lesson/brief-page.tsx')).BriefPage,
            }),
          },
          {
            path: 'check/:check?',
            lazy: async () => ({ Component: (await import('../features/check/check-page.tsx')).CheckPage }),
          },
          {
            path: 'shots',
            lazy: async () => ({ Component: (await import('../features/recap/shots-page.tsx')).ShotsPage }),
          },
          {
            path: 'combine/:combination?',
            lazy: async () => ({
              Component: (await import('../features/combine/combine-page.tsx')).CombinePage,
            }),
          },
          {
            path: 'combine/:combination/call-sheet',
            lazy: async () => ({
              Component: (await import('../features/combine/call-sheet-page.tsx')).CallSheetPage,
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
