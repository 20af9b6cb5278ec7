import { stepTurn } from '../steps/step.ts';
import type { Couple, Moment } from './couple-time.ts';

/** Degrees that both have turned since the figure began. */
export interface Turned {
  readonly lead: number;
  readonly follow: number;
}

/** What both have turned by the end of each of the leader's events. Linear in the moments. */
export function turnsByEvent({ moments, lastEvent }: Couple): readonly Turned[] {
  const turned: Turned[] = [];
  let sum: Turned = { lead: 0, follow: 0 };
  for (const moment of moments) {
    const { lead, follow } = turnsAt(moment);
    sum = { lead: sum.lead + lead, follow: sum.follow + follow };
    turned[moment.event] = sum;
  }
  return Array.from({ length: lastEvent + 1 }, (_, event) => turned[event] ?? sum);
}

/** What both have turned by the end of an event; nothing before the first. */
export function turnedBy(turns: readonly Turned[], event: number): Turned {
  return event < 0 ? { lead: 0, follow: 0 } : (turns[event] ?? turns.at(-1) ?? { lead: 0, follow: 0 });
}

function turnsAt({ lead, follow }: Moment): Turned {
  return {
    lead: lead?.step ? stepTurn(lead.step) : 0,
    follow: follow?.step ? stepTurn(follow.step) : 0,
  };
}
