import { demoSignInBody, setupBody, signInBody } from '@map-step/contract';
import { publicRoute, route } from '../../http/route.ts';
import { endSession } from '../../http/session.ts';
import { readSession, setUpStudio, signIn, signInToDemo } from './session-service.ts';

export const sessionRoutes = [
  publicRoute('session.read', ({ deps, request }) => readSession(deps, request)),
  publicRoute('session.signIn', ({ deps, request, body }) => signIn(deps, request, body), signInBody),
  publicRoute(
    'session.demo',
    ({ deps, request, body }) => signInToDemo(deps, request, body.person),
    demoSignInBody,
  ),
  publicRoute('setup.create', ({ deps, request, body }) => setUpStudio(deps, request, body), setupBody),
  route('session.signOut', async ({ request }) => {
    await endSession(request);
    return {};
  }),
];
