import { HttpFault } from '../../faults/http-fault.ts';
import { publicRoute, route, routeWithoutScope } from '../../http/route.ts';
import {
  changePassword,
  endAccount,
  endOwnSession,
  enterStudio,
  readAccount,
  readAccounts,
} from './account-service.ts';
import { acceptInvitation, invite, readInvitation } from './invitation-service.ts';
import { addFoundingLink, withdrawInvitation } from './invitation-store.ts';

export const accountRoutes = [
  publicRoute('address.read', async ({ deps, params }) => {
    const [row] = await deps.database.select<{ name: string }>(
      `SELECT body ->> 'name' AS name FROM studios WHERE slug = $1`,
      [params.slug],
    );
    if (!row) throw new HttpFault('not-found', 'There is no studio at this address.');
    return row;
  }),
  publicRoute('invitation.read', ({ deps, params }) => readInvitation(deps, params.token)),
  publicRoute('invitation.accept', call => acceptInvitation(call, call.params.token, call.body)),
  routeWithoutScope('account.read', readAccount),
  routeWithoutScope('account.password', call => changePassword(call, call.body)),
  routeWithoutScope('account.end', call => endOwnSession(call, call.params.session)),
  routeWithoutScope('account.enter', call => enterStudio(call, call.body.studio)),
  route('founding.invite', async (scope, { deps }) => {
    if (deps.founding !== 'invitation')
      throw new HttpFault('conflict', 'On this server studios are not made by invitation.');
    return addFoundingLink(scope, deps.now());
  }),
  route('people.accounts', (scope, { deps }) => readAccounts(scope, deps)),
  route('person.invite', (scope, { deps, params }) => invite(scope, deps, params.person)),
  route('person.withdraw', async (scope, { params }) => ({
    ended: await withdrawInvitation(scope, params.person),
  })),
  routeWithoutScope('person.endAccount', ({ deps, who, params }) => endAccount(deps, who, params.person)),
];
