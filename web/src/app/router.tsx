import { createBrowserRouter, Navigate } from 'react-router';
import { CourseLayout } from '../features/course/course-layout.tsx';
import { LessonPage } from '../features/lesson/lesson-page.tsx';
import { MapPage } from '../features/map/map-page.tsx';
import { MaterialPage } from '../features/material/material-page.tsx';
import { ProgrammePage } from '../features/programme/programme-page.tsx';
import { RecapPage } from '../features/recap/recap-page.tsx';
import { SharePage } from '../features/share/share-page.tsx';
import { BrokenPage, MissingPage } from './edge-pages.tsx';
import { SignedIn } from './signed-in.tsx';

export const router = createBrowserRouter([
  { path: '/r/:token', element: <SharePage />, errorElement: <BrokenPage /> },
  {
    element: <SignedIn />,
    errorElement: <BrokenPage />,
    children: [
      { path: '/', element: <ProgrammePage /> },
      {
        path: '/courses/:course',
        element: <CourseLayout />,
        children: [
          { index: true, element: <Navigate to="map" replace /> },
          { path: 'material/:pattern?', element: <MaterialPage /> },
          { path: 'map', element: <MapPage /> },
          { path: 'lesson', element: <LessonPage /> },
          { path: 'recap', element: <RecapPage /> },
        ],
      },
      { path: '*', element: <MissingPage /> },
    ],
  },
]);
