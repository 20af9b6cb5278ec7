import type { CourseAnswer, CourseClass, CourseCommand, HistoryEntry } from '@map-step/contract';
import {
  applyChanges,
  type Combination,
  type Course,
  type FieldChange,
  placedInOrder,
  reverseChanges,
} from '@map-step/core';

interface Order {
  readonly seen: number;
  readonly command: CourseCommand;
}

/** What a server does with the commands of a course, as far as the map can tell; put in the place of `fetch`. */
export class CourseOnServer {
  answer: CourseAnswer;
  readonly orders: Order[] = [];
  /** What else was sent, to whatever address. */
  readonly sent: unknown[] = [];
  /** Combinations that are kept, by their ids. */
  readonly combinations = new Map<string, Combination>();
  /** What is answered next instead of doing anything. */
  refusal: { readonly status: number; readonly body: object } | undefined;
  #changes = new Map<string, readonly FieldChange[]>();
  #held: (() => void)[] | undefined;
  readonly #person: string;

  constructor(course: Course, person: string) {
    this.#person = person;
    this.answer = { course: placedInOrder(course), version: 1, published: null, sections: [], history: [] };
  }

  /** A class of the course begins. */
  begin(section: CourseClass): void {
    this.answer = { ...this.answer, sections: [...this.answer.sections, section] };
  }

  /** From now on answers wait until they are let go. */
  hold(): void {
    this.#held = [];
  }

  letGo(): void {
    for (const answer of this.#held ?? []) answer();
    this.#held = undefined;
  }

  readonly fetch = async (path: string, { body }: { body?: string } = {}): Promise<Response> => {
    const held = this.#held;
    if (held) await new Promise<void>(resolve => held.push(resolve));
    if (path.startsWith('/api/combinations')) return Response.json(this.#combination(path, body));
    if (path.endsWith('/missed') && !body) return Response.json({ students: [] });
    if (!body) return Response.json(this.answer);
    if (!path.endsWith('/commands')) {
      this.sent.push(JSON.parse(body));
      return Response.json(
        { code: 'bad-request', message: 'This server only knows courses.', id: '1' },
        { status: 400 },
      );
    }
    const order = JSON.parse(body) as Order;
    this.orders.push(order);
    const { refusal } = this;
    this.refusal = undefined;
    if (refusal) return Response.json(refusal.body, { status: refusal.status });
    this.#run(order.command);
    return Response.json(this.answer);
  };

  /** What a server answers of combinations: all of them, one, or one that is new or was changed. */
  #combination(path: string, body: string | undefined): object {
    const [id, verb] = path.split('/').slice(3);
    if (id === undefined && !body) return { combinations: [...this.combinations.values()] };
    const given = body === undefined ? {} : (JSON.parse(body) as { combination?: Combination });
    const stood = given.combination ?? this.combinations.get(id ?? '');
    if (!stood) throw new Error(`there is no combination "${id}"`);
    const { command } = given as { command?: { changes: readonly FieldChange[] } };
    const changed = verb === 'commands' && command ? applyChanges(stood, command.changes) : undefined;
    const stands = changed?.ok ? (changed.value as Combination) : stood;
    this.combinations.set(stands.id, stands);
    return { body: stands, version: 1, history: [] };
  }

  #run(command: CourseCommand): void {
    const id = String(this.answer.version);
    const changes = this.#changesOf(command);
    const changed = applyChanges(this.answer.course, changes);
    if (!changed.ok) throw new Error('the test moves a figure from where it does not lie');
    this.#changes.set(id, changes);
    const undoes = command.kind === 'undo' ? command.of : null;
    const what = command.kind === 'edit' ? command.what : command.kind;
    const entry: HistoryEntry = {
      id,
      kind: command.kind,
      what,
      by: this.#person,
      at: '2026-03-09T18:00:00Z',
      undoes,
      undone: false,
    };
    this.answer = {
      ...this.answer,
      course: placedInOrder(changed.value),
      version: this.answer.version + 1,
      history: [
        entry,
        ...this.answer.history.map(other => (other.id === undoes ? { ...other, undone: true } : other)),
      ],
    };
  }

  #changesOf(command: CourseCommand): readonly FieldChange[] {
    if (command.kind === 'undo') return reverseChanges(this.#changes.get(command.of) ?? []);
    return command.kind === 'edit' ? command.changes : [];
  }
}
