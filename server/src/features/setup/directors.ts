import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { isDemoStudio } from '../studio/studio-store.ts';

/**
 * Refuses what would leave a studio without a director who can come in. Two who step back at the same moment wait for
 * each other.
 */
export async function requireDirectorBesides(scope: StudioScope, person: string): Promise<void> {
  await scope.select('SELECT id FROM studios WHERE id = $1 FOR UPDATE');
  const needsAccount = !(await isDemoStudio(scope));
  const rows = await scope.select<{ id: string }>(
    `SELECT id FROM people p WHERE studio_id = $1 AND id <> $2 AND body ->> 'role' = 'director'
       AND (NOT $3 OR EXISTS (SELECT FROM memberships m WHERE m.studio_id = $1 AND m.person_id = p.id))`,
    [person, needsAccount],
  );
  const [is] = await scope.select(
    `SELECT id FROM people WHERE studio_id = $1 AND id = $2 AND body ->> 'role' = 'director'`,
    [person],
  );
  if (is && rows.length === 0)
    throw new HttpFault(
      'conflict',
      'A studio keeps one director who can sign in. Make somebody else one first.',
    );
}
